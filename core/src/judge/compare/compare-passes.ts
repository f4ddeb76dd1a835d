import type { Reading } from '../../format/reading-shape';
import type { Message } from '../../format/message';
import type { TestName } from '../../format/names';
import { latest } from '../../evidence/case-context';
import { TEST_NAMES } from '../../trade/tables';
import type { Survey } from '../grade/survey';

/** One test before and after a repair. */
export interface ComparedTest {
  readonly test: TestName;
  readonly before: number | null;
  readonly after: number | null;
  /** The limit of the newer reading; null where none applied. */
  readonly bound: Message | null;
  readonly solved: boolean;
}

/** The same tests before and after a repair, side by side; void readings of neither pass count. */
export function comparePasses({ gradedCase: after, before }: Survey): readonly ComparedTest[] {
  if (!before) return [];
  return TEST_NAMES.flatMap((test): readonly ComparedTest[] => {
    const first = latest(before, test);
    const second = latest(after, test);
    const newest: Reading | undefined = second ?? first;
    if (!newest) return [];
    const grade = second && after.grades.get(second.id)?.grade;
    return [
      {
        test,
        before: first?.value ?? null,
        after: second?.value ?? null,
        bound: (second ? after : before).grades.get(newest.id)?.resolved?.bound ?? null,
        solved: grade === 'within' || grade === 'near',
      },
    ];
  });
}
