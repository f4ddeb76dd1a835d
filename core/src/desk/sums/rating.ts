import { RATING_STANDARDS } from '../../battery/battery-words';
import type { RatingStandard } from '../../battery/battery-words';
import { convertRating } from '../../battery/rating';
import { figure, oneOf, result } from '../sum';
import type { Sum } from '../sum';

const STANDARDS = RATING_STANDARDS.filter((standard) => standard !== 'JIS');

export const rating: Sum = {
  id: 'rating',
  name: 'Rating between standards',
  formula: 'EN 0.95, IEC 0.65, DIN 0.57, CA 1.25 of the SAE figure',
  note: 'Approximate: the standards differ in time, temperature and end voltage. A JIS code holds no amperes.',
  inputs: [figure('amps', 'On the label', 'A', [20, 3000], 760), oneOf('from', 'Its standard', STANDARDS, 'EN')],
  work: ({ amps }, { from }) =>
    STANDARDS.filter((standard) => standard !== from).map((standard) =>
      result(standard, convertRating({ value: amps!, standard: from as RatingStandard }, standard), 'A', 0),
    ),
};
