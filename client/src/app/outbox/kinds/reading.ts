import type { NewReading } from '@tetrad/contracts';
import { ageOf, onJob } from './kind';
import type { OutboxKind } from './kind';

export interface ReadingPayload {
  readonly body: Pick<NewReading, 'reading'>;
}

export const reading: OutboxKind<ReadingPayload> = {
  request: (item, now) => ({
    method: 'POST',
    path: `/${item.job}/readings`,
    body: { ...item.body, secondsAgo: ageOf(item, now) },
  }),
  apply: onJob((job, { body, queuedAt }) => {
    const { readings } = job.case;
    if (readings.some(({ id }) => id === body.reading.id)) return job;
    const taken = { ...body.reading, at: new Date(queuedAt).toISOString() };
    return { ...job, case: { ...job.case, readings: [...readings, taken] } };
  }),
};
