import { createActionGroup, emptyProps, props } from '@ngrx/store';
import type { JobView, Problem } from '@tetrad/contracts';
import type { OutboxItem } from './outbox-item';

export const OutboxActions = createActionGroup({
  source: 'Outbox',
  events: {
    Opened: emptyProps(),
    Restored: props<{ items: readonly OutboxItem[] }>(),
    Queued: props<{ item: OutboxItem }>(),
    Flush: emptyProps(),
    Sending: props<{ id: string }>(),
    Stored: props<{ id: string; job: JobView }>(),
    Waiting: props<{ id: string; problem: Problem }>(),
    Refused: props<{ id: string; problem: Problem }>(),
    Discarded: props<{ id: string }>(),
    /** A refused item is sent again with these changes: the person keeps their own. */
    Retried: props<{ id: string; changes: Partial<OutboxItem> }>(),
    /** A quick check becomes a job of this vehicle: all that was held is sent. */
    Released: props<{ job: string; vehicle: { name: string; plate?: string } }>(),
    'Held Discarded': props<{ job: string }>(),
    'Keeping Failed': props<{ reason: string }>(),
  },
});
