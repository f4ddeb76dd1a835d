import { count, figure, oneOf, result } from '../sum';
import type { Sum } from '../sum';

export const pack: Sum = {
  id: 'pack',
  name: 'Packs in series and parallel',
  formula: 'series: volts add; parallel: Ah and CCA add',
  note: 'Isolate and test each one: in parallel one hides the other. Batteries in parallel are replaced together.',
  inputs: [
    figure('volts', 'One battery', 'V', [2, 24], 12),
    figure('capacity', 'Its capacity', 'Ah', [5, 400], 90),
    figure('cca', 'Its CCA', 'A', [20, 3000], 800),
    count('batteries', 'Batteries', [2, 8], 2),
    oneOf('arrangement', 'Joined', ['series', 'parallel'], 'series'),
  ],
  work({ volts, capacity, cca, batteries }, { arrangement }) {
    const [inSeries, inParallel] = arrangement === 'series' ? [batteries!, 1] : [1, batteries!];
    return [
      result('Pack', volts! * inSeries, 'V', 1),
      result('Capacity', capacity! * inParallel, 'Ah', 0),
      result('CCA', cca! * inParallel, 'A', 0),
    ];
  },
};
