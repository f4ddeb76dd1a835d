import { createActionGroup, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { JobView, Problem } from '@tetrad/contracts';
import { LOADED, LOADING } from '../loading';
import type { Loading } from '../loading';
import { OutboxActions } from '../outbox/outbox.actions';

export const JobActions = createActionGroup({
  source: 'Job',
  events: {
    Opened: props<{ id: string }>(),
    Left: emptyProps(),
    Loaded: props<{ job: JobView }>(),
    Failed: props<{ id: string; problem: Problem }>(),
  },
});

export interface JobState {
  /** The job in view, or null before one is opened. */
  readonly id: string | null;
  /** Jobs as the server last told them, by id. */
  readonly jobs: Readonly<Record<string, JobView>>;
  readonly loading: Loading;
}

/** Answers and live news overtake each other: an older view of a job never takes a newer one's place. */
const received = (state: JobState, job: JobView): JobState => ({
  ...state,
  jobs: (state.jobs[job.id]?.revision ?? 0) > job.revision ? state.jobs : { ...state.jobs, [job.id]: job },
  loading: job.id === state.id ? LOADED : state.loading,
});

export const jobReducer = createReducer<JobState>(
  { id: null, jobs: {}, loading: LOADING },
  on(JobActions.opened, (state, { id }) => ({ ...state, id, loading: LOADING })),
  on(JobActions.left, (state) => ({ ...state, id: null })),
  on(JobActions.loaded, OutboxActions.stored, (state, { job }) => received(state, job)),
  on(JobActions.failed, (state, { id, problem }) =>
    id === state.id ? { ...state, loading: { state: 'failed' as const, problem } } : state,
  ),
);
