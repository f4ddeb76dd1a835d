import type { Rating } from '../format/case-shape';
import { RATING_STANDARDS } from '../format/words';
import type { Random } from '../circuit/model/random';

/** A battery of the neighboring size stands in the list, or was fitted: its figure over the right one. */
const NEIGHBORING = [0.75, 0.85, 1.15, 1.25, 1.35] as const;

/** The right figure under another standard: the lines stand side by side on the label. */
const anotherStandard = (rating: Rating, random: Random): Rating => ({
  ...rating,
  standard: random.pick(RATING_STANDARDS.filter((standard) => standard !== rating.standard)),
});
const anotherSize = (rating: Rating, random: Random): Rating => ({
  ...rating,
  value: Math.round((rating.value * random.pick(NEIGHBORING)) / 10) * 10,
});
/** One digit wrong: the first by one, or the second by anything. */
function anotherDigit(rating: Rating, random: Random): Rating {
  const digits = String(Math.round(rating.value)).split('');
  const first = Number(digits[0]);
  if (random.chance(0.5)) digits[0] = String(Math.max(1, first + random.pick([-1, 1])));
  else digits[1] = String((Number(digits[1] ?? 0) + Math.floor(random.between(1, 10))) % 10);
  return { ...rating, value: Number(digits.join('')) };
}

/** A label as a hurried eye takes it; another standard is the commonest slip. */
export function misreadLabel(rating: Rating, random: Random): Rating {
  const slip = random.pick([anotherStandard, anotherStandard, anotherSize, anotherDigit]);
  return slip(rating, random);
}
