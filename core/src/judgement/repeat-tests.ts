/** After a repair the same tests are run again: which were run before, and which are still to repeat. */
import type { Case, Reading } from '../case/case-shape';
import { TEST_NAMES } from '../case/vocabulary';
import type { TestName } from '../case/vocabulary';

/** A test as it was run: charging is run with loads off and on. */
export interface RepeatedTest {
  readonly test: TestName;
  readonly loads?: 'off' | 'on';
  readonly before: Reading;
  /** The newest reading after the repair, or null where it is still to be taken. */
  readonly after: Reading | null;
}

/**
 * Tests that excuse or condemn once and are not repeated: they cost much and tell of the part that was
 * replaced only if it is read again anyway.
 */
const ONCE: ReadonlySet<TestName> = new Set(['charge-acceptance', 'hold-charge', 'diode-forward', 'diode-reverse']);

const loadsOf = ({ test, conditions }: Reading): 'off' | 'on' | undefined =>
  test === 'charging-voltage' ? (conditions?.loads ?? 'off') : undefined;

/** The tests of the first pass in working order, each with its newest reading after the repair. */
export function testsToRepeat({ readings }: Case): readonly RepeatedTest[] {
  const valid = readings.filter((reading) => reading.void === undefined && !ONCE.has(reading.test));
  const before = valid.filter(({ pass }) => pass !== 'after');
  const after = valid.filter(({ pass }) => pass === 'after');
  const seen = new Map<string, RepeatedTest>();
  for (const reading of before) {
    const loads = loadsOf(reading);
    const again = after.filter((entry) => entry.test === reading.test && loadsOf(entry) === loads).at(-1) ?? null;
    seen.set(`${reading.test} ${loads ?? ''}`, {
      test: reading.test,
      ...(loads && { loads }),
      before: reading,
      after: again,
    });
  }
  return [...seen.values()].sort(
    (a, b) => TEST_NAMES.indexOf(a.test) - TEST_NAMES.indexOf(b.test) || (a.loads === 'on' ? 1 : -1),
  );
}

/** Why a test is asked for once more. */
export const WHY_AGAIN = 'The same test again, after the repair.';

/** Of the tests to repeat those that are still open; what was not possible before is not asked for again. */
export const openRepeats = (repeated: readonly RepeatedTest[]): readonly RepeatedTest[] =>
  repeated.filter(({ after, before }) => after === null && before.value !== null);
