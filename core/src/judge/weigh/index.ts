/** Fifth stage: everything the valid readings, observations and symptoms of a case say. */
import { TESTS } from '../../trade/tables';
import type { Finding } from '../../evidence/finding';
import { healthFindings } from './health';
import { pathFindings } from './paths';
import { ageFindings, didNotCrankFindings, observationFindings, symptomFindings } from './observation-findings';
import type { DerivedCase } from '../../evidence/derived-case';

export function findingsOf(seen: DerivedCase): readonly Finding[] {
  const { gradedCase } = seen;
  const found: Finding[] = [];
  for (const test of gradedCase.byTest.keys()) {
    const own = TESTS[test].findings?.(seen);
    if (own) found.push(...own);
  }
  found.push(
    ...healthFindings(seen),
    ...pathFindings(seen),
    ...didNotCrankFindings(gradedCase),
    ...ageFindings(gradedCase),
    ...observationFindings(gradedCase),
    ...symptomFindings(gradedCase),
  );
  return found;
}
