import type { NewObservation } from '@tetrad/contracts';
import { onJob, asks } from './kind';
import type { OutboxKind } from './kind';

export interface ObservationPayload {
  readonly body: NewObservation;
}

export const observation: OutboxKind<ObservationPayload> = {
  request: ({ shop, job, body }) => asks('addObservation', [shop, job], body),
  apply: onJob((job, { body }) => ({
    ...job,
    case: { ...job.case, observations: [...(job.case.observations ?? []), body.observation] },
  })),
};
