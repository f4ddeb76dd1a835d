import type { Rating } from '../format/case-shape';
import { RATING_STANDARDS } from '../format/words';
import type { Random } from '../circuit/model/random';

/** Standards that stand side by side on labels and are mistaken for each other. */
const MISTAKEN_FOR = RATING_STANDARDS.filter((standard) => standard !== 'JIS');

/** The right figure under the wrong standard: the commonest slip with a label. */
export const misreadLabel = (rating: Rating, random: Random): Rating => ({
  ...rating,
  standard: random.pick(MISTAKEN_FOR.filter((standard) => standard !== rating.standard)),
});
