import { along } from '../../simulation/along';
import type { Fault } from '../fault';

export const alternatorWeak: Fault = {
  name: 'alternator weak',
  part: () => 'alternator',
  customer: 'The alternator gives less than the vehicle needs.',
  prior: 0.03,
  symptoms: { 'charge-lamp': 1, 'dim-at-idle': 1, 'goes-flat': 1 },
  excuses: [
    { excuse: 'battery-flat', how: 'A flat battery takes all the current and pulls the voltage down.' },
    { excuse: 'belt-slips', how: 'A slipping belt turns the alternator too slowly.' },
    { excuse: 'output-path-open', how: 'A blown link or an open cable keeps all output from the battery.' },
    { excuse: 'not-told-to-charge', how: 'Without excitation or command a sound alternator gives nothing, or little.' },
    { excuse: 'charging-cable', how: 'Volts lost in the output cable are missing at the battery.' },
    { excuse: 'alternator-ground', how: 'Volts lost in the alternator’s ground are missing at the battery.' },
  ],
  effect: (vehicle, severity) => void (vehicle.alternatorShare = along([0.66, 0.25], severity)),
};
