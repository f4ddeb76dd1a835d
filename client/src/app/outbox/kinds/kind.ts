/**
 * A kind of thing that is entered here and sent to the server. Everything about one kind stands in one file of
 * this folder: what it carries, where it is sent, and how a job will stand once it is stored.
 */
import type { JobView, Problem } from '@tetrad/contracts';
import { ADDRESSES, addressOf } from '@tetrad/contracts/addresses';
import type { Address, AddressId, PathArguments } from '@tetrad/contracts/addresses';
import type { BodyOf } from '@tetrad/contracts/operations';

/** What every item of the outbox has. */
export interface Queued {
  readonly id: string;
  /** Its number in the queue of this device, which sends in this order: a clock may be set back. */
  readonly place: number;
  readonly shop: string;
  readonly job: string;
  /** When it was queued on this device, ms. */
  readonly queuedAt: number;
  /** `held` stays on this device until its quick check becomes a job. */
  readonly state: 'waiting' | 'sending' | 'refused' | 'held';
  readonly problem: Problem | null;
}

export interface OutboxRequest {
  readonly method: Address['method'];
  readonly url: string;
  readonly body: unknown;
}

/** The request of an operation. @param named The parameters of its path: the shop first. */
export const asks = <Id extends AddressId>(
  id: Id,
  named: PathArguments<Id>,
  body: BodyOf<Id> extends undefined ? null : BodyOf<Id>,
): OutboxRequest => ({ method: ADDRESSES[id].method, url: addressOf(id, ...named), body });

/** @typeParam Payload What an item of this kind carries beside what all carry. */
export interface OutboxKind<Payload> {
  /** @param now The device's time, ms: what was queued a while ago tells its age. */
  readonly request: (item: Queued & Payload, now: number) => OutboxRequest;
  /** The job as it will stand once this is stored; null where there is none to change. */
  readonly apply: (job: JobView | null, item: Queued & Payload) => JobView | null;
}

/** Seconds since an item was queued: device clocks are wrong, the server's counts. */
export const ageOf = ({ queuedAt }: Queued, now: number): number => Math.max(0, (now - queuedAt) / 1000);

/** A change to a job that is known; nothing is made of an unknown one. */
export const onJob =
  <Item>(change: (job: JobView, item: Item) => JobView) =>
  (job: JobView | null, item: Item): JobView | null =>
    job === null ? null : change(job, item);
