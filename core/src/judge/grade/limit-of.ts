import { limitsOf } from '../../criteria/criteria-set';
import type { Reading } from '../../format/case-shape';
import type { Situation } from '../situation';
import type { ResolvedLimit } from './assessment';

/** The limit that decided a reading's grade; null where none applied. */
export const limitOf = (situation: Situation, reading: Reading): ResolvedLimit | null =>
  situation.graded.get(reading.id)?.resolved ?? null;

/** From where on a reading under an upper limit is no longer plainly good: where the borderline zone begins. */
export const caresFrom = ({ max, borderline }: ResolvedLimit): number => max - borderline;

/**
 * A limit spoke of it; where the set has none for its test, reading it is all there is. A reading that is only noted
 * passes nothing.
 */
export const isJudged = (situation: Situation, reading: Reading): boolean =>
  limitOf(situation, reading) !== null || limitsOf(situation.criteria, reading.test).length === 0;

/** True for a valid reading outside its limit. */
export const isOutside = (situation: Situation, reading: Reading): boolean =>
  situation.graded.get(reading.id)?.grade === 'outside';

/** Outside its limit by more than the width of the borderline zone: no sound vehicle's spread reaches there. */
export function isFarOutside(situation: Situation, reading: Reading): boolean {
  const limit = limitOf(situation, reading);
  return limit !== null && Math.max(limit.min - limit.value, limit.value - limit.max) > limit.borderline;
}
