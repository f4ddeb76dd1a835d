import { along } from '../../simulation/along';
import type { Fault } from '../fault';

export const starterDragging: Fault = {
  name: 'starter dragging',
  part: () => 'starter',
  customer: 'The starter turns hard and takes far more current than it should.',
  prior: 0.03,
  symptoms: { 'slow-crank': 1, 'no-crank-single-click': 1, 'lamps-dim-on-crank': 1 },
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
    { excuse: 'accessory-holds-it', how: 'A seized accessory asks for the same high current.' },
  ],
  effect: (vehicle, severity) => {
    vehicle.dragAmps = vehicle.usualAmps * along([0.8, 1.8], severity);
    vehicle.voltsPerRpm *= 1.15;
  },
};
