import type { VoidReading } from '@tetrad/contracts';
import { onJob, asks } from './kind';
import type { OutboxKind } from './kind';

export interface VoidPayload {
  readonly reading: string;
  readonly body: VoidReading;
}

export const voidReading: OutboxKind<VoidPayload> = {
  request: ({ shop, job, reading, body }) => asks('voidReading', [shop, job, reading], body),
  apply: onJob((job, { reading: id, body }) => ({
    ...job,
    case: {
      ...job.case,
      readings: job.case.readings.map((reading) => (reading.id === id ? { ...reading, void: body.reason } : reading)),
    },
  })),
};
