import { createEntityAdapter } from '@ngrx/entity';
import type { EntityState } from '@ngrx/entity';
import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
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

export interface FloorState extends EntityState<FloorRow> {
  readonly status: JobStatus;
  readonly loading: Loading;
}

const adapter = createEntityAdapter<FloorRow>();

/** The rows of the floor as the server last told them. */
export const floorFeature = createFeature({
  name: 'floor',
  reducer: createReducer<FloorState>(
    adapter.getInitialState<FloorState>({ status: 'open', loading: IDLE }),
    on(FloorActions.load, (state, { status }) => ({
      ...(status === state.status ? state : adapter.removeAll(state)),
      status,
      loading: LOADING,
    })),
    on(FloorActions.loaded, (state, { rows }) => ({ ...adapter.setAll([...rows], state), loading: LOADED })),
    on(FloorActions.failed, (state, { problem }) => ({ ...state, loading: { state: 'failed' as const, problem } })),
  ),
  extraSelectors: ({ selectFloorState }) => ({ selectRows: adapter.getSelectors(selectFloorState).selectAll }),
});
export const { selectFloorState: selectFloor, selectRows } = floorFeature;
