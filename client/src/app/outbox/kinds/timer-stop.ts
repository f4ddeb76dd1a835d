import { onJob } from './kind';
import type { OutboxKind } from './kind';

export interface TimerStopPayload {
  readonly timer: string;
}

export const timerStop: OutboxKind<TimerStopPayload> = {
  request: ({ job, timer }) => ({ method: 'POST', path: `/${job}/timers/${timer}/stop`, body: null }),
  apply: onJob((job, { timer }) => ({ ...job, timers: job.timers.filter(({ id }) => id !== timer) })),
};
