import type { EntityState } from '@ngrx/entity';
import { createEntityAdapter } from '@ngrx/entity';
import { createFeature, createReducer, createSelector, on } from '@ngrx/store';
import { OutboxActions } from './outbox.actions';
import type { OutboxItem } from './outbox-item';

export interface OutboxState extends EntityState<OutboxItem> {
  /** The highest place that was given in the queue. */
  readonly last: number;
  /** Why this device cannot keep the queue over a reload, or null. */
  readonly keepingFailed: string | null;
}

/** Items are sent in the order of queueing, whatever the clock said. */
const adapter = createEntityAdapter<OutboxItem>({
  sortComparer: (a, b) => a.place - b.place || (a.id < b.id ? -1 : 1),
});

/** What was kept stands before what was entered since this page was opened. */
function withRestored(state: OutboxState, kept: readonly OutboxItem[]): OutboxState {
  const old = kept
    .filter(({ id }) => !(id in state.entities))
    .map((item): OutboxItem => ({
      ...item,
      place: item.place ?? 0, // an earlier version kept none: its ids are in order
      state: item.state === 'sending' ? 'waiting' : item.state,
    }));
  const highest = Math.max(0, ...old.map(({ place }) => place));
  const since = adapter.map((item) => ({ ...item, place: item.place + highest }), {
    ...state,
    last: state.last + highest,
  });
  return adapter.addMany(old, since);
}

const released = (item: OutboxItem, vehicle: { name: string; plate?: string }): OutboxItem =>
  item.kind === 'new-job'
    ? { ...item, state: 'waiting', body: { ...item.body, vehicle: { ...item.body.vehicle, ...vehicle } } }
    : { ...item, state: 'waiting' };

const isHeld = (item: OutboxItem | undefined, job: string): item is OutboxItem =>
  item?.job === job && item.state === 'held';

/** What is entered here and not stored yet, and whether this device can keep it. */
export const outboxFeature = createFeature({
  name: 'outbox',
  reducer: createReducer(
    adapter.getInitialState<OutboxState>({ last: 0, keepingFailed: null }),
    on(OutboxActions.restored, (state, { items }) => withRestored(state, items)),
    // what is entered into a quick check is held with it
    on(OutboxActions.queued, (state, { item }) => {
      const held = Object.values(state.entities).some((known) => isHeld(known, item.job));
      const place = state.last + 1;
      return adapter.addOne({ ...item, place, ...(held && { state: 'held' as const }) }, { ...state, last: place });
    }),
    on(OutboxActions.released, (state, { job, vehicle }) =>
      adapter.map((item) => (isHeld(item, job) ? released(item, vehicle) : item), state),
    ),
    on(OutboxActions.heldDiscarded, (state, { job }) => adapter.removeMany((item) => isHeld(item, job), state)),
    on(OutboxActions.sending, (state, { id }) => adapter.updateOne({ id, changes: { state: 'sending' } }, state)),
    on(OutboxActions.waiting, (state, { id, problem }) =>
      adapter.updateOne({ id, changes: { state: 'waiting', problem } }, state),
    ),
    on(OutboxActions.refused, (state, { id, problem }) =>
      adapter.updateOne({ id, changes: { state: 'refused', problem } }, state),
    ),
    on(OutboxActions.retried, (state, { id, changes }) =>
      adapter.updateOne({ id, changes: { ...changes, state: 'waiting', problem: null } as Partial<OutboxItem> }, state),
    ),
    on(OutboxActions.stored, OutboxActions.discarded, (state, { id }) => adapter.removeOne(id, state)),
    on(OutboxActions.keepingFailed, (state, { reason }) => ({ ...state, keepingFailed: reason })),
  ),
  extraSelectors: ({ selectOutboxState }) => {
    const { selectAll: selectItems } = adapter.getSelectors(selectOutboxState);
    const selectUnsent = createSelector(selectItems, (items) =>
      items.filter(({ state }) => state !== 'refused' && state !== 'held'),
    );
    return {
      selectItems,
      selectUnsent,
      selectRefused: createSelector(selectItems, (items) => items.filter(({ state }) => state === 'refused')),
      /** Quick checks: openings that are held on this device. */
      selectHeld: createSelector(selectItems, (items) =>
        items.filter((item) => item.kind === 'new-job').filter(({ state }) => state === 'held'),
      ),
      /** What holds the queue up, where something does. */
      selectTrouble: createSelector(
        selectUnsent,
        (items) => items.find(({ problem }) => problem !== null)?.problem ?? null,
      ),
    };
  },
});
export const { selectItems, selectUnsent, selectRefused, selectHeld, selectTrouble, selectKeepingFailed } =
  outboxFeature;
