import { TESTS, WAITS } from '@tetrad/core';
import type { ReadingConditions, ReadingStep, GradedCase, WaitKind } from '@tetrad/core';

/**
 * Conditions that are known before anything is typed: from waits that are over, and from what the test's own file
 * knows of this case.
 *
 * @param battery Which of a pack; undefined for the pack as connected.
 */
export function knownConditions(
  { test, asks, waits = [] }: ReadingStep,
  gradedCase: GradedCase,
  waitedFor: ReadonlySet<WaitKind>,
  battery: number | undefined,
): ReadingConditions {
  const known: ReadingConditions = Object.assign(
    {},
    ...waits.filter((kind) => waitedFor.has(kind)).map((kind) => WAITS[kind].makes),
    TESTS[test].known?.(gradedCase, battery),
  );
  return Object.fromEntries(Object.entries(known).filter(([name]) => name in asks));
}
