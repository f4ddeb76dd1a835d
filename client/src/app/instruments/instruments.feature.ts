import { createEntityAdapter } from '@ngrx/entity';
import type { EntityState } from '@ngrx/entity';
import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { InstrumentView, Problem } from '@tetrad/contracts';
import { IDLE, LOADED, LOADING } from '../api/loading';
import type { Loading } from '../api/loading';

export const InstrumentActions = createActionGroup({
  source: 'Instruments',
  events: {
    Load: emptyProps(),
    Loaded: props<{ instruments: readonly InstrumentView[] }>(),
    Stored: props<{ instrument: InstrumentView }>(),
    Failed: props<{ problem: Problem }>(),
  },
});

export interface InstrumentsState extends EntityState<InstrumentView> {
  readonly loading: Loading;
}
const adapter = createEntityAdapter<InstrumentView>({ sortComparer: (a, b) => a.name.localeCompare(b.name) });

/** The shop's instruments, each with its newest check. */
export const instrumentsFeature = createFeature({
  name: 'instruments',
  reducer: createReducer<InstrumentsState>(
    adapter.getInitialState<InstrumentsState>({ loading: IDLE }),
    on(InstrumentActions.load, (state) => ({ ...state, loading: LOADING })),
    on(InstrumentActions.loaded, (state, { instruments }) => ({
      ...adapter.setAll([...instruments], state),
      loading: LOADED,
    })),
    on(InstrumentActions.stored, (state, { instrument }) => adapter.upsertOne(instrument, state)),
    on(InstrumentActions.failed, (state, { problem }) => ({
      ...state,
      loading: { state: 'failed' as const, problem },
    })),
  ),
  extraSelectors: ({ selectInstrumentsState }) => {
    const { selectAll } = adapter.getSelectors(selectInstrumentsState);
    return { selectInstruments: selectAll };
  },
});
export const { selectInstruments, selectLoading: selectInstrumentsLoading } = instrumentsFeature;
