import type { CautionName } from '@tetrad/core';
import { onJob, asks } from './kind';
import type { OutboxKind } from './kind';

/** An acknowledgement that is taken back: the caution is shown again. */
export interface AcknowledgementBackPayload {
  readonly caution: CautionName;
}

export const acknowledgementBack: OutboxKind<AcknowledgementBackPayload> = {
  request: ({ shop, job, caution }) => asks('takeBackAcknowledgement', [shop, job, caution], null),
  apply: onJob((job, { caution }) => ({
    ...job,
    acknowledgements: job.acknowledgements.filter((known) => known.caution !== caution),
  })),
};
