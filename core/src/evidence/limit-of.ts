import { limitsOf } from '../criteria/criteria-set';
import type { Reading } from '../format/reading-shape';
import type { GradedCase } from './case-context';
import type { ResolvedLimit } from '../criteria/resolved-limit';

/** The limit that decided a reading's grade; null where none applied. */
export const limitOf = (gradedCase: GradedCase, reading: Reading): ResolvedLimit | null =>
  gradedCase.grades.get(reading.id)?.resolved ?? null;

/** From where on a reading under an upper limit is no longer plainly good: where the borderline zone begins. */
export const caresFrom = ({ max, borderline }: ResolvedLimit): number => max - borderline;

/**
 * A limit spoke of it; where the set has none for its test, reading it is all there is. A reading that is only noted
 * passes nothing.
 */
export const isJudged = (gradedCase: GradedCase, reading: Reading): boolean =>
  limitOf(gradedCase, reading) !== null || limitsOf(gradedCase.criteria, reading.test).length === 0;

/** True for a valid reading outside its limit. */
export const isOutside = (gradedCase: GradedCase, reading: Reading): boolean =>
  gradedCase.grades.get(reading.id)?.grade === 'outside';

/** Outside its limit by more than the width of the borderline zone: no sound vehicle's spread reaches there. */
export function isFarOutside(gradedCase: GradedCase, reading: Reading): boolean {
  const limit = limitOf(gradedCase, reading);
  return limit !== null && Math.max(limit.min - limit.value, limit.value - limit.max) > limit.borderline;
}

/**
 * How many times its limit a reading is: from 1 on it lies outside. Of a lower limit how many times the reading lies in it:
 * half of it is 2. Null where no limit applies.
 */
export function timesItsLimit(gradedCase: GradedCase, reading: Reading): number | null {
  const limit = limitOf(gradedCase, reading);
  if (limit === null) return null;
  const { value, min, max } = limit;
  if (value > max) return max > 0 ? value / max : Infinity;
  if (value < min) return value > 0 ? min / value : Infinity;
  return 0;
}
