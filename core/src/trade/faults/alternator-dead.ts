import type { Fault } from '../fault';

export const alternatorDead: Fault = {
  name: 'alternator gives no output',
  part: () => 'alternator',
  customer: 'The alternator gives no current: the battery is not charged while driving.',
  prior: 0.04,
  symptoms: { 'charge-lamp': 1, 'dim-at-idle': 1, 'goes-flat': 1 },
  excuses: [
    { excuse: 'battery-flat', how: 'A flat battery takes all the current and pulls the voltage down.' },
    { excuse: 'belt-slips', how: 'A slipping belt turns the alternator too slowly.' },
    { excuse: 'output-path-open', how: 'A blown link or an open cable keeps all output from the battery.' },
    { excuse: 'not-told-to-charge', how: 'Without excitation or command a sound alternator gives nothing, or little.' },
    { excuse: 'strap-broken', how: 'With its ground strap broken a sound alternator has no way back for its current.' },
  ],
  effect: (vehicle) => void (vehicle.alternatorShare = 0),
};
