import { notPossible } from '../../evidence/case-context';
import { threshold } from '../../criteria/weights';
import type { Reading } from '../../format/reading-shape';
import type { FaultName, StepName } from '../../format/names';
import type { Step } from '../propose/propose-steps';
import type { ProvenCase } from '../prove/prove';
import { sumOf } from './final-action';
import type { Failure } from '../derive/failures';

export interface Standing {
  readonly provenCase: ProvenCase;
  readonly failing: readonly Failure[];
  /** What must be read before nothing may be found, and is not. */
  readonly uncovered: readonly StepName[];
  /** The steps that are open now. */
  readonly proposed: () => readonly Step[];
}

/**
 * What lies outside its limit, was read once, and is explained by nothing: straight across faults that nothing else
 * speaks for; or by itself, once everything that the complaint asks for is read and no fault leads. It is a slip or it is
 * true: another reading tells.
 *
 * @param leading The fault that leads, or null.
 */
export function unexplained(
  leading: FaultName | null,
  { provenCase: { gradedCase, probability }, failing, uncovered, proposed }: Standing,
): readonly Reading[] {
  if (gradedCase.resting === null && proposed().length > 0) return []; // everything leans on it
  // several faults that it lies across share what one would have
  const isExplained = (faults: readonly FaultName[]): boolean =>
    sumOf(faults, (fault) => probability[fault]) >= threshold('suspected');
  const isSettling = (uncovered.length === 0 && leading === null) || proposed().length === 0;
  return failing
    .filter(({ reading: { test } }) => !notPossible(gradedCase, test))
    .filter(({ faults, isRepeated }) => !isRepeated && (isSettling || (faults.length > 0 && !isExplained(faults))))
    .map(({ reading }) => reading);
}
