import type { NewObservation } from '@tetrad/contracts';
import { onJob } from './kind';
import type { OutboxKind } from './kind';

export interface ObservationPayload {
  readonly body: NewObservation;
}

export const observation: OutboxKind<ObservationPayload> = {
  request: ({ job, body }) => ({ method: 'POST', path: `/${job}/observations`, body }),
  apply: onJob((job, { body }) => ({
    ...job,
    case: { ...job.case, observations: [...(job.case.observations ?? []), body.observation] },
  })),
};
