import type { Case } from '../format/case-shape';
import type { Decision } from '../format/judgement-shape';
import type { TestName } from '../format/names';
import type { Grade } from '../format/words';
import type { CriteriaSet } from '../criteria/criteria-set';
import { SCHOOLS } from '../criteria/schools';
import { ENGLISH } from '../words/en/voice';
import type { Voice } from '../words/phrases';
import { judgeSurvey } from './judge';
import { survey } from './survey';

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

/**
 * Judges a case by every set and names the readings on which they differ.
 *
 * @param voice How the limits are told.
 */
export function compareSchools(
  subject: Case,
  sets: readonly CriteriaSet[] = SCHOOLS,
  voice: Voice = ENGLISH,
): SchoolComparison {
  const seen = sets.map((criteria) => survey(subject, criteria));
  return {
    schools: sets.map((criteria, index) => ({ criteria, decision: judgeSurvey(seen[index]!).decision })),
    disagreements: subject.readings.flatMap(({ id, test }, index): Disagreement[] => {
      const by = seen.map(({ assessments }) => {
        const { grade, resolved } = assessments[index]!;
        return { grade, limit: resolved ? voice.say(resolved.bound) : '' };
      });
      return new Set(by.map(({ grade }) => grade)).size > 1 ? [{ id, test, by }] : [];
    }),
  };
}
