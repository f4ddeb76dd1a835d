/** Fifth stage: everything the valid readings, observations and symptoms of a case say. */
import { TESTS } from '../../trade/tables';
import type { Finding } from './finding';
import { healthFindings } from './health';
import { pathFindings } from './paths';
import { ageFindings, didNotCrankFindings, observationFindings, symptomFindings } from './seen-and-said';
import type { Seen } from './seen';

export function findingsOf(seen: Seen): readonly Finding[] {
  const { situation } = seen;
  const found: Finding[] = [];
  for (const test of situation.byTest.keys()) {
    const own = TESTS[test].findings?.(seen);
    if (own) found.push(...own);
  }
  found.push(
    ...healthFindings(seen),
    ...pathFindings(situation),
    ...didNotCrankFindings(situation),
    ...ageFindings(situation),
    ...observationFindings(situation),
    ...symptomFindings(situation),
  );
  return found;
}
