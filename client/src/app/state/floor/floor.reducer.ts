import {
  createActionGroup,
  createFeatureSelector,
  createReducer,
  createSelector,
  emptyProps,
  on,
  props,
} from '@ngrx/store';
import type { FloorRow, JobStatus, Problem } from '@tetrad/contracts';
import { IDLE, LOADED, LOADING } from '../loading';
import type { Loading } from '../loading';

export const FloorActions = createActionGroup({
  source: 'Floor',
  events: {
    Load: props<{ status: JobStatus }>(),
    Left: emptyProps(),
    Loaded: props<{ rows: readonly FloorRow[] }>(),
    Failed: props<{ problem: Problem }>(),
  },
});

export interface FloorState {
  readonly rows: readonly FloorRow[];
  readonly status: JobStatus;
  readonly loading: Loading;
}

export const floorReducer = createReducer<FloorState>(
  { rows: [], status: 'open', loading: IDLE },
  on(FloorActions.load, (state, { status }) => ({
    rows: status === state.status ? state.rows : [],
    status,
    loading: LOADING,
  })),
  on(FloorActions.loaded, (state, { rows }) => ({ ...state, rows, loading: LOADED })),
  on(FloorActions.failed, (state, { problem }) => ({ ...state, loading: { state: 'failed' as const, problem } })),
);

export const selectFloor = createFeatureSelector<FloorState>('floor');
export const selectRows = createSelector(selectFloor, ({ rows }) => rows);
