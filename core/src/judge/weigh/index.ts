/** Fifth stage: everything the valid readings, observations and symptoms of a case say. */
import { TESTS, TEST_NAMES } from '../../trade/tables';
import type { Finding } from '../../evidence/finding';
import { failuresOf } from '../derive/failures';
import { healthFindings } from './health';
import { repeatFindings } from './repeats';
import { nothingFlowsFindings } from './nothing-flows';
import { pathFindings } from './paths';
import { ageFindings, didNotCrankFindings, observationFindings, symptomFindings } from './observation-findings';
import type { DerivedCase } from '../../evidence/derived-case';

/** Tests that say something by themselves, in working order. */
const WEIGHED = TEST_NAMES.filter((test) => TESTS[test].findings !== undefined);

/** @param failing What lies outside its limit; worked out where nobody has yet. */
export function findingsOf(seen: DerivedCase, failing = failuresOf(seen)): readonly Finding[] {
  const { gradedCase } = seen;
  const found: Finding[] = [];
  // in working order, whatever was read first: the ranking goes over them a few times only
  for (const test of WEIGHED) {
    const own = gradedCase.byTest.has(test) ? TESTS[test].findings?.(seen) : undefined;
    if (own) found.push(...own);
  }
  found.push(
    ...healthFindings(seen),
    ...pathFindings(seen),
    ...repeatFindings(failing, found),
    ...nothingFlowsFindings(gradedCase),
    ...didNotCrankFindings(gradedCase),
    ...ageFindings(gradedCase),
    ...observationFindings(gradedCase),
    ...symptomFindings(gradedCase),
  );
  return found;
}
