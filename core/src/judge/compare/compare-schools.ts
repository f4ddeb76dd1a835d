import { SCHOOLS } from '../../criteria/schools';
import type { CriteriaSet } from '../../criteria/criteria-set';
import type { Case } from '../../format/case-shape';
import type { Message } from '../../format/message';
import type { TestName } from '../../format/names';
import type { Grade } from '../../format/words';
import type { Decided } from '../decide/decide';
import { survey } from '../grade/survey';
import { judgeSurveyed } from '../judge';

/** One reading that the schools do not grade alike. */
export interface Disagreement {
  readonly id: string;
  readonly test: TestName;
  /** Grade and limit by each school, in the order of the schools; null where none applied. */
  readonly by: readonly { readonly grade: Grade; readonly bound: Message | null }[];
}

/** The same case judged by several criteria sets, side by side. */
export interface SchoolComparison {
  readonly schools: readonly { readonly criteria: CriteriaSet; readonly decided: Decided }[];
  readonly disagreements: readonly Disagreement[];
}

/** Judges a case by every set and names the readings on which they differ. */
export function compareSchools(subject: Case, sets: readonly CriteriaSet[] = SCHOOLS): SchoolComparison {
  const surveys = sets.map((criteria) => survey(subject, criteria));
  return {
    schools: sets.map((criteria, index) => ({ criteria, decided: judgeSurveyed(surveys[index]!).decided })),
    disagreements: subject.readings.flatMap(({ id, test }, index): Disagreement[] => {
      const by = surveys.map(({ assessments }) => {
        const { grade, resolved } = assessments[index]!;
        return { grade, bound: resolved?.bound ?? null };
      });
      return new Set(by.map(({ grade }) => grade)).size > 1 ? [{ id, test, by }] : [];
    }),
  };
}
