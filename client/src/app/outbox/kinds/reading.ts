import type { NewReading } from '@tetrad/contracts';
import type { WaitKind } from '@tetrad/core';
import { ageOf, onJob, asks } from './kind';
import type { OutboxKind } from './kind';

export interface ReadingPayload {
  readonly body: Pick<NewReading, 'reading'>;
  /** The waits that it ends: the server ends them with it. */
  readonly ends?: readonly WaitKind[];
}

export const reading: OutboxKind<ReadingPayload> = {
  request: (item, now) => asks('addReading', [item.shop, item.job], { ...item.body, secondsAgo: ageOf(item, now) }),
  apply: onJob((job, { body, ends = [], queuedAt }) => {
    const { readings } = job.case;
    if (readings.some(({ id }) => id === body.reading.id)) return job;
    const taken = { ...body.reading, at: new Date(queuedAt).toISOString() };
    return {
      ...job,
      timers: job.timers.filter(({ kind }) => !ends.includes(kind)),
      case: { ...job.case, readings: [...readings, taken] },
    };
  }),
};
