import { along } from '../../simulation/along';
import type { Fault } from '../fault';

export const starterWorn: Fault = {
  name: 'starter worn',
  part: () => 'starter',
  customer: 'The starter is worn: it gets what it needs and does not turn the engine as it should.',
  prior: 0.04,
  symptoms: { 'slow-crank': 1, 'no-crank-silent': 1, 'no-crank-single-click': 1 },
  symptomsAgainst: { 'cranks-normally': 'symptom-normal-crank' },
  excuses: [
    { excuse: 'battery-not-proven', how: 'A weak battery gives the starter too little, and it turns slowly.' },
    {
      excuse: 'draw-not-known',
      how: 'Without its current nobody can tell a starter that asks too much from one that gets too little.',
    },
    { excuse: 'positive-side', how: 'Volts lost in the positive cable or a post are missing at the starter.' },
    { excuse: 'ground-side', how: 'Volts lost on the way back are missing at the starter.' },
    {
      excuse: 'not-told-to-crank',
      how: 'With little voltage at its control terminal the solenoid closes badly or not at all.',
    },
    {
      excuse: 'something-holds-it',
      how: 'An engine that is hard to turn, or a seized accessory, slows a sound starter.',
    },
  ],
  effect: (vehicle, severity) => void (vehicle.motorOhm *= along([2.4, 3.6], severity)),
};
