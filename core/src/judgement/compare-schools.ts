import type { Case } from '../case/case-shape';
import type { Decision } from '../case/judgement-shape';
import type { Grade, TestName } from '../case/vocabulary';
import type { CriteriaSet } from '../criteria/criteria-set';
import { SCHOOLS } from '../criteria/schools';
import { assessCase, judge } from './judge';

/** One reading that the schools do not grade alike. */
export interface Disagreement {
  readonly id: string;
  readonly test: TestName;
  /** Grade and limit by each school, in the order of the schools. */
  readonly by: readonly { readonly grade: Grade; readonly limit: string }[];
}

/** The same case judged by several criteria sets, side by side. */
export interface SchoolComparison {
  readonly schools: readonly { readonly criteria: CriteriaSet; readonly decision: Decision }[];
  readonly disagreements: readonly Disagreement[];
}

/** Judges a case by every set and names the readings on which they differ. */
export function compareSchools(subject: Case, sets: readonly CriteriaSet[] = SCHOOLS): SchoolComparison {
  const assessed = sets.map((criteria) => assessCase(subject, criteria));
  const disagreements = subject.readings.flatMap((reading, index): Disagreement[] => {
    const by = assessed.map((assessments) => ({ grade: assessments[index]!.grade, limit: assessments[index]!.limit }));
    return new Set(by.map(({ grade }) => grade)).size > 1 ? [{ id: reading.id, test: reading.test, by }] : [];
  });
  return {
    schools: sets.map((criteria) => ({ criteria, decision: judge(subject, criteria).decision })),
    disagreements,
  };
}
