/** After a repair the same tests are run again: which were run before, and which are still to repeat. */
import type { Reading } from '../../format/reading-shape';
import type { TestName } from '../../format/names';
import { TESTS, TEST_NAMES } from '../../trade/tables';
import { loadsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import type { Survey } from '../grade/survey';

/** A test as it was run: charging is run with loads off and on. */
export interface RepeatedTest {
  readonly test: TestName;
  readonly loads?: 'off' | 'on';
  readonly before: Reading;
  /** The newest valid reading after the repair, or null where it is still to be taken. */
  readonly after: Reading | null;
}

/** Two places of one test are told apart by their loads. */
const loadsOfPlace = (reading: Reading): 'off' | 'on' | undefined =>
  TESTS[reading.test].places.length > 1 ? loadsOf(reading) : undefined;

/**
 * The tests of the first pass in working order, each with its newest valid reading after the repair. Tests that
 * excuse or condemn once are not repeated: they cost much and tell of the part that was replaced only.
 */
export function testsToRepeat(before: GradedCase, after: GradedCase | null): readonly RepeatedTest[] {
  const again = after?.readings ?? [];
  const seen = new Map<string, RepeatedTest>();
  for (const reading of before.readings) {
    if (TESTS[reading.test].isOnce) continue;
    const loads = loadsOfPlace(reading);
    seen.set(`${reading.test} ${loads ?? ''}`, {
      test: reading.test,
      ...(loads && { loads }),
      before: reading,
      after: again.findLast((entry) => entry.test === reading.test && loadsOfPlace(entry) === loads) ?? null,
    });
  }
  return [...seen.values()].sort(
    (a, b) => TEST_NAMES.indexOf(a.test) - TEST_NAMES.indexOf(b.test) || (a.loads === 'on' ? 1 : -1),
  );
}

/** What to repeat after the repair of a surveyed case; before anything is read again all of it is open. */
export const repeatsOf = ({ gradedCase, before }: Pick<Survey, 'gradedCase' | 'before'>): readonly RepeatedTest[] =>
  before ? testsToRepeat(before, gradedCase) : testsToRepeat(gradedCase, null);

/** Of the tests to repeat those that are still open; what was not possible before is not asked for again. */
export const openRepeats = (repeated: readonly RepeatedTest[]): readonly RepeatedTest[] =>
  repeated.filter(({ after, before }) => after === null && before.value !== null);
