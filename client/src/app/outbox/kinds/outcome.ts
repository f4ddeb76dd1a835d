import type { NewOutcome } from '@tetrad/contracts';
import { onJob, asks } from './kind';
import type { OutboxKind } from './kind';

export interface OutcomePayload {
  readonly body: NewOutcome;
  /** Who was signed in on this device. */
  readonly by: string;
}

export const outcome: OutboxKind<OutcomePayload> = {
  request: ({ shop, job, body }) => asks('recordOutcome', [shop, job], body),
  apply: onJob((job, { body: { id, complaint, cause, note }, by, queuedAt }) => ({
    ...job,
    outcome: { id, complaint, cause: cause ?? null, note: note ?? null, by, at: new Date(queuedAt).toISOString() },
  })),
};
