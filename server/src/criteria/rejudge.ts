/** Judges past jobs by another set, in a thread: which decisions would be others. */
import type { ChangedVerdict } from '@tetrad/contracts';
import { CASE_FORMAT, decideCase, isSameDecision } from '@tetrad/core';
import type { Case, CriteriaSet } from '@tetrad/core';
import type { HeavyTask } from '../platform/workers/heavy-work';

/** A past job as it is read from the database. */
interface PastJob extends Omit<Case, 'format'> {
  readonly job: string;
  readonly openedAt: string;
  readonly vehicle: ChangedVerdict['vehicle'];
  readonly decision: ChangedVerdict['before'];
  /** A reading was outside its limit. */
  readonly isOutside: boolean;
}

interface RejudgeTask {
  /** A list of past jobs as JSON. */
  readonly text: string;
  readonly criteria: CriteriaSet;
  /** Not more verdicts than these are told whole. */
  readonly maxTold: number;
}
export interface Rejudged {
  readonly changed: number;
  readonly verdicts: readonly ChangedVerdict[];
  /** Jobs with a reading outside its limit: as it was said, and by the other set. */
  readonly outsideNow: number;
  readonly outsideThen: number;
}

function rejudge({ text, criteria, maxTold }: RejudgeTask): Rejudged {
  const jobs = JSON.parse(text) as readonly PastJob[];
  const verdicts: ChangedVerdict[] = [];
  let [changed, outsideNow, outsideThen] = [0, 0, 0];
  for (const { job, openedAt, vehicle, decision: before, isOutside, ...subject } of jobs) {
    const { decided, survey } = decideCase({ ...subject, format: CASE_FORMAT, title: vehicle.name }, criteria);
    if (isOutside) outsideNow += 1;
    if (survey.assessments.some(({ grade }) => grade === 'outside')) outsideThen += 1;
    if (isSameDecision(before, decided)) continue;
    changed += 1;
    const { action, part, fault } = decided;
    if (verdicts.length < maxTold) verdicts.push({ job, vehicle, openedAt, before, after: { action, part, fault } });
  }
  return { changed, verdicts, outsideNow, outsideThen };
}

export const REJUDGE: HeavyTask<RejudgeTask, Rejudged> = { name: 'rejudge', lane: 'rest', work: rejudge };
