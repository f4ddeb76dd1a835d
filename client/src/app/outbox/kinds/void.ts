import type { VoidReading } from '@tetrad/contracts';
import { onJob } from './kind';
import type { OutboxKind } from './kind';

export interface VoidPayload {
  readonly reading: string;
  readonly body: VoidReading;
}

export const voidReading: OutboxKind<VoidPayload> = {
  request: ({ job, reading, body }) => ({
    method: 'POST',
    path: `/${job}/readings/${encodeURIComponent(reading)}/void`,
    body,
  }),
  apply: onJob((job, { reading: id, body }) => ({
    ...job,
    case: {
      ...job.case,
      readings: job.case.readings.map((reading) => (reading.id === id ? { ...reading, void: body.reason } : reading)),
    },
  })),
};
