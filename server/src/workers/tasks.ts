/** What takes long enough to hold others up: done in threads of their own. */
import { buffer } from 'node:stream/consumers';
import { fourNoteProfile, judgeSurvey, survey } from '@tetrad/core';
import type { Case, CriteriaSet, Judgement, Profile } from '@tetrad/core';
import type { JobView } from '@tetrad/contracts';
import { pdfReport } from '../reports/pdf-report';
import type { PdfOptions } from '../reports/pdf-report';
import { drawSheet } from '../rounds/draw-sheet';
import type { SheetPaper } from '../rounds/draw-sheet';

export interface Judged {
  readonly judgement: Judgement;
  readonly profile: Profile;
}

export interface PdfTask {
  readonly job: JobView;
  readonly options: PdfOptions;
}
export interface JudgeTask {
  readonly subject: Case;
  readonly criteria: CriteriaSet;
}

export function judge({ subject, criteria }: JudgeTask): Judged {
  const surveyed = survey(subject, criteria);
  return {
    judgement: judgeSurvey(surveyed),
    profile: fourNoteProfile(surveyed.assessments, subject.system, surveyed.gradedCase),
  };
}

export const pdf = async ({ job, options }: PdfTask): Promise<Uint8Array> => buffer(await pdfReport(job, options));

export { rejudge } from '../criteria/rejudge';
export type { RejudgeTask, Rejudged } from '../criteria/rejudge';

export { calendarOf as calendar } from '../rounds/calendar';

/** A round sheet as PDF. */
export const sheet = async (task: SheetPaper): Promise<Uint8Array> => buffer(await drawSheet(task));
