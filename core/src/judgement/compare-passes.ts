import type { Judgement } from '../case/judgement-shape';
import type { Case } from '../case/case-shape';
import { TEST_NAMES } from '../case/vocabulary';
import type { CriteriaSet } from '../criteria/criteria-set';
import { assess } from './assess';
import { latest, situationOf } from './situation';

/** The same tests before and after a repair, side by side; empty where only one pass was made. */
export function comparePasses(subject: Case, criteria: CriteriaSet): NonNullable<Judgement['comparison']> {
  if (!subject.readings.some(({ pass }) => pass === 'after')) return [];
  const after = situationOf(subject, criteria);
  const before = situationOf(
    { ...subject, readings: subject.readings.filter(({ pass }) => pass !== 'after') },
    criteria,
  );
  return TEST_NAMES.flatMap((test) => {
    const first = latest(before, test);
    const second = latest(after, test);
    if (!first && !second) return [];
    const graded = second && assess(second, after);
    return [
      {
        test,
        before: first?.value ?? null,
        after: second?.value ?? null,
        limit: graded?.limit ?? (first ? assess(first, before).limit : ''),
        solved: graded !== undefined && (graded.grade === 'within' || graded.grade === 'near'),
      },
    ];
  });
}
