import type { JobView, NewSignOff, SignOffView } from '@tetrad/contracts';
import { onJob, asks } from './kind';
import type { OutboxKind, Queued } from './kind';

export interface SignOffPayload {
  readonly body: NewSignOff;
  /** Who was signed in on this device. */
  readonly by: string;
}

export const signOff: OutboxKind<SignOffPayload> = {
  request: ({ shop, job, body }) => asks('signOff', [shop, job], body),
  apply: onJob((job, item) => ({ ...job, status: 'closed', timers: [], signOff: signed(item, job) })),
};

const signed = ({ body, by, queuedAt }: Queued & SignOffPayload, { judgement }: JobView): SignOffView => ({
  ...body,
  by,
  at: new Date(queuedAt).toISOString(),
  part: body.part ?? null,
  reason: body.reason ?? null,
  comment: body.comment ?? null,
  solved: body.solved ?? null,
  judged: judgement?.decision ?? null,
});
