import { figure, result } from '../sum';
import type { Sum } from '../sum';

export const narrowPath: Sum = {
  id: 'narrow-path',
  name: 'Narrowing a path',
  formula: 'other half = whole − measured half, at the same current',
  note: 'Measure to the middle joint, then on in the half that loses more, until one joint or cable is named.',
  inputs: [
    figure('whole', 'Across the whole path', 'V', [0.001, 30], 0.9),
    figure('half', 'To the middle joint', 'V', [0, 30], 0.1),
    figure('amps', 'Current', 'A', [0.1, 3000], 180),
  ],
  work: ({ whole, half, amps }) => {
    const rest = whole! - half!;
    const isContradiction = rest < 0;
    return [
      result(
        'The other half',
        rest,
        'V',
        3,
        isContradiction ? 'a part reads more than its whole: one of the two is wrong, repeat both' : undefined,
      ),
      result('Its resistance', isContradiction ? null : rest / amps!, 'ohm', 5),
      result('Share of the whole', (rest / whole!) * 100, '%', 0),
    ];
  },
};
