/** Fifth stage: everything the valid readings, observations and symptoms of a case say. */
import { TESTS } from '../../trade/tables';
import type { Finding } from '../../evidence/finding';
import { failuresOf } from '../derive/failures';
import { healthFindings } from './health';
import { repeatFindings } from './repeats';
import { nothingFlowsFindings } from './nothing-flows';
import { pathFindings } from './paths';
import { ageFindings, didNotCrankFindings, observationFindings, symptomFindings } from './observation-findings';
import type { DerivedCase } from '../../evidence/derived-case';

/** @param failing What lies outside its limit; worked out where nobody has yet. */
export function findingsOf(seen: DerivedCase, failing = failuresOf(seen)): readonly Finding[] {
  const { gradedCase } = seen;
  const found: Finding[] = [];
  for (const test of gradedCase.byTest.keys()) {
    const own = TESTS[test].findings?.(seen);
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
