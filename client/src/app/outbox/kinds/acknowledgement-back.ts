import type { CautionName } from '@tetrad/core';
import { onJob } from './kind';
import type { OutboxKind } from './kind';

/** An acknowledgement that is taken back: the caution is shown again. */
export interface AcknowledgementBackPayload {
  readonly caution: CautionName;
}

export const acknowledgementBack: OutboxKind<AcknowledgementBackPayload> = {
  request: ({ job, caution }) => ({
    method: 'POST',
    path: `/${job}/acknowledgements/${caution}/take-back`,
    body: null,
  }),
  apply: onJob((job, { caution }) => ({
    ...job,
    acknowledgements: job.acknowledgements.filter((known) => known.caution !== caution),
  })),
};
