import { onJob, asks } from './kind';
import type { OutboxKind } from './kind';

export interface TimerStopPayload {
  readonly timer: string;
}

export const timerStop: OutboxKind<TimerStopPayload> = {
  request: ({ shop, job, timer }) => asks('stopTimer', [shop, job, timer], null),
  apply: onJob((job, { timer }) => ({ ...job, timers: job.timers.filter(({ id }) => id !== timer) })),
};
