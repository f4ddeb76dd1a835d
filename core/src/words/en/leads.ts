import type { TestName } from '../../format/names';
import { CLAMP_PLACES, TEST_POINTS } from '../../circuit/points';
import { TESTS } from '../../trade/tables';

/** The leads of a test in one sentence, for a screen reader and for print. */
export function describeLeads(test: TestName): string {
  const { leads } = TESTS[test];
  if (!leads) return 'No leads: the instrument has its own.';
  const { red, black, clamp } = leads;
  return [
    ...(red ? [`red on the ${TEST_POINTS[red]}`] : []),
    ...(black ? [`black on the ${TEST_POINTS[black]}`] : []),
    ...(clamp ? [`clamp around ${CLAMP_PLACES[clamp]}`] : []),
  ].join(', ');
}
