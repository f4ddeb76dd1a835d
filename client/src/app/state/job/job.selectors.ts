import { createFeatureSelector, createSelector } from '@ngrx/store';
import { BALANCED, fourNoteProfile, judge, schoolById, survey } from '@tetrad/core';
import type { JobState } from './job.reducer';
import { selectHeld, selectItems } from '../outbox/outbox.reducer';
import { withOutbox } from './with-outbox';

const selectState = createFeatureSelector<JobState>('job');
export const selectJobLoading = createSelector(selectState, ({ loading }) => loading);

/** The id of the job in view, where the server has told it. */
export const selectToldJob = createSelector(selectState, ({ id, jobs }) => (id !== null && jobs[id] ? id : null));
/** The job in view with everything entered here, stored or not. */
export const selectJob = createSelector(selectState, selectItems, ({ id, jobs }, items) =>
  id === null ? null : withOutbox(jobs[id] ?? null, id, items),
);
/** Ids of readings that the server has not stored yet. */
export const selectPendingReadings = createSelector(
  selectItems,
  (items) => new Set(items.flatMap((item) => (item.kind === 'reading' ? [item.body.reading.id] : []))),
);
export const selectCriteria = createSelector(selectJob, (job) => (job && schoolById(job.criteria)) ?? BALANCED);
/** The case surveyed here and now, by the core in this browser: what is void, and every grade. */
export const selectSurvey = createSelector(selectJob, selectCriteria, (job, criteria) =>
  job ? survey(job.case, criteria) : null,
);
export const selectAssessments = createSelector(selectSurvey, (surveyed) => surveyed?.assessments ?? []);
export const selectJudgement = createSelector(selectJob, selectCriteria, (job, criteria) =>
  job ? judge(job.case, criteria) : null,
);
export const selectProfile = createSelector(selectJob, selectAssessments, (job, assessments) =>
  job ? fourNoteProfile(assessments, job.case.system.nominalVolts) : null,
);
/** True for a quick check: it is on this device only until it becomes a job. */
export const selectIsHeld = createSelector(selectState, selectHeld, ({ id }, held) =>
  held.some(({ job }) => job === id),
);
