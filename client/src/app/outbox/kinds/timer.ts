import type { StartTimer } from '@tetrad/contracts';
import { usualSeconds } from '@tetrad/core/light';
import { ageOf, onJob, asks } from './kind';
import type { OutboxKind } from './kind';

export interface TimerPayload {
  /** The server's time when it began, ms. */
  readonly startedAt: number;
  readonly body: Omit<StartTimer, 'secondsAgo'>;
}

export const timer: OutboxKind<TimerPayload> = {
  request: (item, now) => asks('startTimer', [item.shop, item.job], { ...item.body, secondsAgo: ageOf(item, now) }),
  apply: onJob((job, { body, startedAt }) => {
    const { id, kind, seconds = usualSeconds(kind) } = body;
    if (job.timers.some((known) => known.id === id)) return job;
    const others = job.timers.filter((known) => known.kind !== kind);
    return { ...job, timers: [...others, { id, kind, seconds, startedAt: new Date(startedAt).toISOString() }] };
  }),
};
