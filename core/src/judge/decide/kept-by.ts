/** What must be known of a part before it may be kept, gathered from the tests' files. */
import type { GradedCase } from '../../evidence/case-context';
import { isOutside } from '../../evidence/limit-of';
import type { Reading } from '../../format/reading-shape';
import type { TestName } from '../../format/names';
import { JUDGED_PARTS } from '../../format/words';
import type { JudgedPart } from '../../format/words';
import { KEPT_BY } from '../../trade/required';
import type { Keeps, KeptBy } from '../../trade/required';
import { TESTS, TEST_NAMES } from '../../trade/tables';
import { missingUnits } from '../propose/missing-units';

/** One thing that must be known of a part: any one of these tests tells it. */
export interface NeededToKeep {
  readonly anyOf: readonly TestName[];
  /** True where the newest reading of one of them is good enough to keep the part. */
  readonly isEnough: (reading: Reading, gradedCase: GradedCase) => boolean;
}

const keeping = (as: KeptBy): readonly (readonly [TestName, Keeps])[] =>
  TEST_NAMES.flatMap((test) => (TESTS[test].keeps ?? []).map((keeps) => [test, keeps] as const))
    .filter(([, keeps]) => keeps.as === as)
    .sort(([, a], [, b]) => (a.choice ?? 1) - (b.choice ?? 1));

function needed(part: JudgedPart, as: KeptBy): NeededToKeep {
  const tests = keeping(as);
  const rules = new Map(tests);
  return {
    anyOf: tests.map(([test]) => test),
    isEnough: (reading, gradedCase) => {
      const { mustPass, when } = rules.get(reading.test)!;
      if (mustPass && isOutside(gradedCase, reading)) return false;
      if (when && !when(reading, gradedCase)) return false;
      // of a pack every battery: a good one says nothing of its neighbor
      return part !== 'battery' || missingUnits(reading.test, gradedCase).length === 0;
    },
  };
}

/** One of each list must be read of a part before it may be kept. */
export const NEEDED_TO_KEEP = Object.fromEntries(
  JUDGED_PARTS.map((part) => [part, KEPT_BY[part].map((as) => needed(part, as))]),
) as unknown as Readonly<Record<JudgedPart, readonly NeededToKeep[]>>;
