import { figure, result } from '../sum';
import type { Sum } from '../sum';

/** A lead-acid battery takes about a fifth more than it gives back. */
const TAKES = 1.2;

export const chargeTime: Sum = {
  id: 'charge-time',
  name: 'Charge time',
  formula: 'hours = Ah × (wanted − now) × 1.2 / charger amps',
  note: 'From 80 % on a battery takes less than the charger gives: the last fifth takes longer than this says. Ventilate; no sparks.',
  inputs: [
    figure('capacity', 'Capacity', 'Ah', [5, 400], 60),
    figure('now', 'State of charge', '%', [0, 100], 40),
    figure('wanted', 'Wanted', '%', [1, 100], 100),
    figure('amps', 'Charger', 'A', [0.1, 200], 10),
  ],
  work({ capacity, now, wanted, amps }) {
    const missing = (capacity! * Math.max(0, wanted! - now!)) / 100;
    return [result('To put in', missing * TAKES, 'Ah', 1), result('At least', (missing * TAKES) / amps!, 'h', 1)];
  },
  picture: { along: 'amps', shows: 1 },
};
