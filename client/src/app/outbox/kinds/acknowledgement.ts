import type { Acknowledge } from '@tetrad/contracts';
import { onJob, asks } from './kind';
import type { OutboxKind } from './kind';

export interface AcknowledgementPayload {
  readonly body: Acknowledge;
  /** Who was signed in on this device. */
  readonly by: string;
}

export const acknowledgement: OutboxKind<AcknowledgementPayload> = {
  request: ({ shop, job, body }) => asks('acknowledgeCaution', [shop, job], body),
  apply: onJob((job, { body: { caution }, by, queuedAt }) => {
    if (job.acknowledgements.some((known) => known.caution === caution)) return job;
    const at = new Date(queuedAt).toISOString();
    return { ...job, acknowledgements: [...job.acknowledgements, { caution, by, at }] };
  }),
};
