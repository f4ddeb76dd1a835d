import type {
  Acknowledge,
  JobChanges,
  NewJob,
  NewObservation,
  NewReading,
  NewSignOff,
  Problem,
  StartTimer,
  VoidReading,
} from '@tetrad/contracts';

interface Common {
  /** The item's own id, in the order of queueing. */
  readonly id: string;
  readonly shop: string;
  readonly job: string;
  /** When it was queued on this device, ms. */
  readonly queuedAt: number;
  /** `held` stays on this device until its quick check becomes a job. */
  readonly state: 'waiting' | 'sending' | 'refused' | 'held';
  readonly problem: Problem | null;
}

/** Something entered here that the server has not stored yet. */
export type OutboxItem = Common &
  (
    | { readonly kind: 'new-job'; readonly body: NewJob }
    | { readonly kind: 'reading'; readonly body: Pick<NewReading, 'reading'> }
    | { readonly kind: 'void'; readonly reading: string; readonly body: VoidReading }
    | { readonly kind: 'observation'; readonly body: NewObservation }
    | { readonly kind: 'changes'; readonly body: JobChanges }
    /** `startedAt` is the server's time, ms. */
    | { readonly kind: 'timer'; readonly startedAt: number; readonly body: Omit<StartTimer, 'secondsAgo'> }
    | { readonly kind: 'timer-stop'; readonly timer: string }
    | { readonly kind: 'acknowledgement'; readonly body: Acknowledge }
    | { readonly kind: 'sign-off'; readonly body: NewSignOff }
  );

type Distribute<T> = T extends unknown ? Omit<T, 'id' | 'queuedAt' | 'state' | 'problem'> : never;
/** What is queued, before it has a place in the queue. */
export type OutboxDraft = Distribute<OutboxItem>;

let counter = 0;

/** Gives a draft its id and time. Ids sort in the order of queueing, also across reloads. */
export function queued(draft: OutboxDraft, now = Date.now()): OutboxItem {
  counter += 1;
  const id = `${String(now).padStart(15, '0')}-${String(counter).padStart(6, '0')}`;
  return { ...draft, id, queuedAt: now, state: 'waiting', problem: null } as OutboxItem;
}
