import { WAITS, isCount, usualSeconds, waitAt } from '@tetrad/core/light';
import type { WaitRow, WaitState } from '@tetrad/core';
import type { TimerView } from '@tetrad/contracts';

/** A timer as it stands at one moment of the server's clock. */
export interface TimerNow {
  readonly timer: TimerView;
  readonly row: WaitRow;
  readonly state: WaitState;
  readonly isCount: boolean;
}

/** When a timer is over, ms. */
export const endOf = ({ startedAt, seconds }: TimerView): number => Date.parse(startedAt) + seconds * 1000;

/** A count that ended longer ago than this is history, ms. */
const COUNT_KEPT_MS = 4000;

/** @param nowMs The server's time, ms. */
export const timerAt = (timer: TimerView, nowMs: number): TimerNow => ({
  timer,
  row: WAITS[timer.kind],
  state: waitAt(timer.kind, timer.seconds, (nowMs - Date.parse(timer.startedAt)) / 1000),
  isCount: isCount(timer.kind),
});

/** The count that runs now, or has just ended. */
export function runningCount(timers: readonly TimerView[], nowMs: number): TimerNow | null {
  const counts = timers
    .map((timer) => timerAt(timer, nowMs))
    .filter(({ isCount: counts, timer, state }) => counts && (!state.over || nowMs < endOf(timer) + COUNT_KEPT_MS));
  return counts.at(-1) ?? null;
}

/** Waits, without counts; after a crank the starter cools by itself. */
export const waits = (timers: readonly TimerView[], nowMs: number): readonly TimerNow[] =>
  timers.flatMap((timer) => {
    if (timer.kind === 'crank') return cooling(timer, nowMs);
    const now = timerAt(timer, nowMs);
    return now.isCount ? [] : [now];
  });

/** The cool-down after a crank: it needs no timer of its own, and is forgotten when it is over. */
function cooling(crank: TimerView, nowMs: number): readonly TimerNow[] {
  const endedAtMs = endOf(crank);
  if (nowMs < endedAtMs) return [];
  const startedAt = new Date(endedAtMs).toISOString();
  const now = timerAt({ id: crank.id, kind: 'cool-down', seconds: usualSeconds('cool-down'), startedAt }, nowMs);
  return now.state.over ? [] : [now];
}

/** `2:05`, `1:03:00`; seconds alone under ten as they are. */
export function clockWords(seconds: number): string {
  const whole = Math.ceil(seconds);
  const two = (value: number): string => String(value).padStart(2, '0');
  const [hours, minutes, rest] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  return hours > 0 ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`;
}
