import { createEntityAdapter } from '@ngrx/entity';
import type { EntityState } from '@ngrx/entity';
import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { FloorRow, JobStatus, Problem } from '@tetrad/contracts';
import { IDLE, LOADED, LOADING } from '../../api/loading';
import type { Loading } from '../../api/loading';

export const FloorActions = createActionGroup({
  source: 'Floor',
  events: {
    Load: props<{ status: JobStatus }>(),
    Left: emptyProps(),
    /** Rows so far; whole once the last page is there. */
    Loaded: props<{ rows: readonly FloorRow[]; isWhole: boolean; rest?: string | null }>(),
    /** Of a very long floor, the rows behind those that are here. */
    'More Wanted': emptyProps(),
    More: props<{ rows: readonly FloorRow[]; rest: string | null }>(),
    /** Words to be found; of a floor that is not whole here the server is asked too. */
    Sought: props<{ words: string }>(),
    Found: props<{ rows: readonly FloorRow[] }>(),
    /** Some jobs changed; a row that is not told is not to be seen. */
    Changed: props<{ ids: readonly string[]; rows: readonly FloorRow[] }>(),
    Failed: props<{ problem: Problem }>(),
  },
});

export interface FloorState extends EntityState<FloorRow> {
  readonly status: JobStatus;
  /** Where the rows that are not here begin; null where all are. */
  readonly rest: string | null;
  readonly loading: Loading;
}

const adapter = createEntityAdapter<FloorRow>();

/** The rows of the floor as the server last told them. */
export const floorFeature = createFeature({
  name: 'floor',
  reducer: createReducer<FloorState>(
    adapter.getInitialState<FloorState>({ status: 'open', rest: null, loading: IDLE }),
    on(FloorActions.load, (state, { status }) => ({
      ...(status === state.status ? state : adapter.removeAll(state)),
      status,
      rest: null,
      loading: LOADING,
    })),
    on(FloorActions.loaded, (state, { rows, isWhole, rest = null }) => ({
      // what was there stays until all is known again
      ...(isWhole ? adapter.setAll([...rows], state) : adapter.upsertMany([...rows], state)),
      rest,
      loading: LOADED,
    })),
    on(FloorActions.more, (state, { rows, rest }) => ({ ...adapter.upsertMany([...rows], state), rest })),
    on(FloorActions.found, (state, { rows }) => adapter.upsertMany([...rows], state)),
    on(FloorActions.changed, (state, { ids, rows }) => {
      const seen = rows.filter(({ status }) => status === state.status);
      const gone = ids.filter((id) => !seen.some((row) => row.id === id));
      return adapter.upsertMany(seen, adapter.removeMany(gone, state));
    }),
    on(FloorActions.failed, (state, { problem }) => ({ ...state, loading: { state: 'failed' as const, problem } })),
  ),
  extraSelectors: ({ selectFloorState }) => ({ selectRows: adapter.getSelectors(selectFloorState).selectAll }),
});
export const { selectFloorState: selectFloor, selectRows } = floorFeature;
