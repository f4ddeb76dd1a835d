import { fourNoteProfile, judgeSurvey, survey } from '@tetrad/core';
import type { Case, CriteriaSet, Judgement, Profile } from '@tetrad/core';
import type { HeavyTask } from '../platform/workers/heavy-work';

export interface JudgeTask {
  readonly subject: Case;
  readonly criteria: CriteriaSet;
}
export interface Judged {
  readonly judgement: Judgement;
  readonly profile: Profile;
}

export function judge({ subject, criteria }: JudgeTask): Judged {
  const surveyed = survey(subject, criteria);
  return {
    judgement: judgeSurvey(surveyed),
    profile: fourNoteProfile(surveyed.assessments, subject.system, surveyed.gradedCase),
  };
}

export const JUDGE: HeavyTask<JudgeTask, Judged> = { name: 'judge', lane: 'judging', work: judge };
