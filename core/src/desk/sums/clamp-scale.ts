import { clampAmps } from '../../quantities/worked-out';
import { figure, result } from '../sum';
import type { Sum } from '../sum';

export const clampScale: Sum = {
  id: 'clamp-scale',
  name: 'Clamp scale',
  formula: 'A = mV / (mV for each A)',
  note: '1, 10 and 100 mV for each ampere are common; a wrong scale is a factor of ten.',
  inputs: [
    figure('shown', 'On the meter', 'mV', [-20_000, 20_000], 182),
    figure('scale', 'Scale of the clamp', 'mV/A', [0.1, 1000], 1),
  ],
  work: ({ shown, scale }) => [result('Current', clampAmps(shown! / 1000, scale!), 'A', 1)],
};
