import { createFeatureSelector, createReducer, createSelector, on } from '@ngrx/store';
import { OutboxActions } from './outbox.actions';
import type { OutboxItem } from './outbox-item';

export interface OutboxState {
  /** In the order they were queued; they are sent in it. */
  readonly items: readonly OutboxItem[];
  /** Why this device cannot keep the queue over a reload, or null. */
  readonly keepingFailed: string | null;
}

const START: OutboxState = { items: [], keepingFailed: null };

const change = (
  state: OutboxState,
  id: string,
  fields: Partial<Pick<OutboxItem, 'state' | 'problem'>>,
): OutboxState => ({
  ...state,
  items: state.items.map((item) => (item.id === id ? { ...item, ...fields } : item)),
});
const without = (state: OutboxState, id: string): OutboxState => ({
  ...state,
  items: state.items.filter((item) => item.id !== id),
});

const released = (item: OutboxItem, vehicle: { name: string; plate?: string }): OutboxItem =>
  item.kind === 'new-job'
    ? { ...item, state: 'waiting', body: { ...item.body, vehicle: { ...item.body.vehicle, ...vehicle } } }
    : { ...item, state: 'waiting' };

export const outboxReducer = createReducer(
  START,
  on(OutboxActions.restored, (state, { items }) => {
    const known = new Set(state.items.map(({ id }) => id));
    const kept = items
      .filter(({ id }) => !known.has(id))
      .map((item): OutboxItem => ({ ...item, state: item.state === 'sending' ? 'waiting' : item.state }));
    return { ...state, items: [...kept, ...state.items] };
  }),
  // what is entered into a quick check is held with it
  on(OutboxActions.queued, (state, { item }) => {
    const held = state.items.some((known) => known.job === item.job && known.state === 'held');
    return { ...state, items: [...state.items, held ? { ...item, state: 'held' as const } : item] };
  }),
  on(OutboxActions.released, (state, { job, vehicle }) => ({
    ...state,
    items: state.items.map((item) => (item.job === job && item.state === 'held' ? released(item, vehicle) : item)),
  })),
  on(OutboxActions.heldDiscarded, (state, { job }) => ({
    ...state,
    items: state.items.filter((item) => item.job !== job || item.state !== 'held'),
  })),
  on(OutboxActions.sending, (state, { id }) => change(state, id, { state: 'sending' })),
  on(OutboxActions.waiting, (state, { id, problem }) => change(state, id, { state: 'waiting', problem })),
  on(OutboxActions.refused, (state, { id, problem }) => change(state, id, { state: 'refused', problem })),
  on(OutboxActions.stored, OutboxActions.discarded, (state, { id }) => without(state, id)),
  on(OutboxActions.keepingFailed, (state, { reason }) => ({ ...state, keepingFailed: reason })),
);

export const selectOutbox = createFeatureSelector<OutboxState>('outbox');
export const selectItems = createSelector(selectOutbox, ({ items }) => items);
export const selectRefused = createSelector(selectItems, (items) => items.filter(({ state }) => state === 'refused'));
export const selectUnsent = createSelector(selectItems, (items) =>
  items.filter(({ state }) => state !== 'refused' && state !== 'held'),
);
/** Quick checks: openings that are held on this device. */
export const selectHeld = createSelector(selectItems, (items) =>
  items.filter((item) => item.kind === 'new-job').filter(({ state }) => state === 'held'),
);
/** What holds the queue up, where something does. */
export const selectTrouble = createSelector(
  selectUnsent,
  (items) => items.find(({ problem }) => problem !== null)?.problem ?? null,
);
