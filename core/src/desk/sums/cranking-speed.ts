import { crankingRpm } from '../../quantities/worked-out';
import { count, figure, result } from '../sum';
import type { Sum } from '../sum';

export const crankingSpeed: Sum = {
  id: 'cranking-speed',
  name: 'Compressions to rpm',
  formula: 'rpm = 120 × peaks a second / cylinders',
  note: 'Of a four-stroke engine. About 150 to 250 rpm is usual for petrol, 130 to 250 for diesel.',
  inputs: [
    figure('peaks', 'Compression peaks', 'peaks/s', [0.1, 100], 6.5),
    count('cylinders', 'Cylinders', [1, 16], 4),
  ],
  work: ({ peaks, cylinders }) => [result('Cranking speed', crankingRpm(peaks!, cylinders!), 'rpm', 0)],
};
