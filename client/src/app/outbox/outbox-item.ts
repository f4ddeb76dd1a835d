import type { JobView } from '@tetrad/contracts';
import { OUTBOX_KINDS } from './kinds';
import type { OutboxKindName, PayloadOf } from './kinds';
import type { OutboxKind, OutboxRequest, Queued } from './kinds/kind';

/** Something entered here that the server has not stored yet. */
export type OutboxItem = { [K in OutboxKindName]: Queued & { readonly kind: K } & PayloadOf<K> }[OutboxKindName];

type Distribute<T> = T extends unknown ? Omit<T, 'id' | 'place' | 'queuedAt' | 'state' | 'problem'> : never;
/** What is queued, before it has a place in the queue. */
export type OutboxDraft = Distribute<OutboxItem>;
type Unplaced<T> = T extends unknown ? Omit<T, 'shop' | 'job'> : never;
/** An act upon the job in view. */
export type Act = Unplaced<OutboxDraft>;

let counter = 0;

/** Gives a draft its id and time; its place it gets as it joins the queue. */
export function queued(draft: OutboxDraft, now = Date.now()): OutboxItem {
  counter += 1;
  const id = `${String(now).padStart(15, '0')}-${String(counter).padStart(6, '0')}`;
  return { ...draft, id, place: 0, queuedAt: now, state: 'waiting', problem: null } as OutboxItem;
}

// an item and its kind belong together by its `kind`, which the compiler cannot follow through the table
const kindOf = ({ kind }: OutboxItem): OutboxKind<OutboxItem> =>
  OUTBOX_KINDS[kind] as OutboxKind<object> as OutboxKind<OutboxItem>;

/** How an item is sent; `now` is the device's time, ms. */
export const requestOf = (item: OutboxItem, now: number): OutboxRequest => kindOf(item).request(item, now);

/**
 * A job as it will stand once the outbox is sent: nobody waits for the server to see what a reading
 * means. A refused item is not applied; it is shown by itself.
 *
 * @param stored The job as the server last told it, or null.
 * @returns null where neither the server nor the outbox knows the job.
 */
export const withOutbox = (stored: JobView | null, id: string, items: readonly OutboxItem[]): JobView | null =>
  items
    .filter((item) => item.job === id && item.state !== 'refused')
    .reduce<JobView | null>((job, item) => kindOf(item).apply(job, item), stored);
