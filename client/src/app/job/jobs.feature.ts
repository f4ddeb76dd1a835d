import { createEntityAdapter } from '@ngrx/entity';
import type { EntityState } from '@ngrx/entity';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import type { JobView, PresentView, Problem } from '@tetrad/contracts';
import { OutboxActions } from '../outbox/outbox.actions';
import { LOADED, LOADING, mayRetry } from '../api/loading';
import type { Loading } from '../api/loading';

export const JobActions = createActionGroup({
  source: 'Job',
  events: {
    Opened: props<{ id: string }>(),
    Left: emptyProps(),
    Loaded: props<{ job: JobView }>(),
    Failed: props<{ id: string; problem: Problem }>(),
    /** Who else has the job open. */
    'People Told': props<{ id: string; others: readonly PresentView[] }>(),
  },
});

export interface JobsState extends EntityState<JobView> {
  /** The job in view, or null before one is opened. */
  readonly opened: string | null;
  readonly loading: Loading;
  /** Who else has the job in view open just now. */
  readonly others: readonly PresentView[];
}

const adapter = createEntityAdapter<JobView>();

/** Answers and live news overtake each other: an older view of a job never takes a newer one's place. */
const received = (state: JobsState, job: JobView): JobsState => ({
  ...((state.entities[job.id]?.revision ?? 0) > job.revision ? state : adapter.upsertOne(job, state)),
  loading: job.id === state.opened ? LOADED : state.loading,
});

/** Jobs as the server last told them. */
export const jobsFeature = createFeature({
  name: 'jobs',
  reducer: createReducer<JobsState>(
    adapter.getInitialState<JobsState>({ opened: null, loading: LOADING, others: [] }),
    on(JobActions.opened, (state, { id }) => ({ ...state, opened: id, loading: LOADING, others: [] })),
    on(JobActions.left, (state) => ({ ...state, opened: null, others: [] })),
    on(JobActions.peopleTold, (state, { id, others }) => (id === state.opened ? { ...state, others } : state)),
    on(JobActions.loaded, OutboxActions.stored, (state, { job }) => received(state, job)),
    on(JobActions.failed, (state, { id, problem }) => {
      if (id !== state.opened) return state;
      // what was told last is worked on while the server is away
      const isShown = mayRetry(problem) && state.entities[id] !== undefined;
      return { ...state, loading: isShown ? LOADED : { state: 'failed' as const, problem } };
    }),
  ),
  extraSelectors: ({ selectEntities, selectOpened }) => ({
    /** The id of the job in view, where the server has told it. */
    selectToldJob: createSelector(selectEntities, selectOpened, (jobs, id) => (id !== null && jobs[id] ? id : null)),
  }),
});
export const {
  selectEntities: selectJobs,
  selectLoading: selectJobLoading,
  selectOpened,
  selectToldJob,
  selectOthers,
} = jobsFeature;
