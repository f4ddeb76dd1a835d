/** What to do now: the next useful steps across all open jobs, by their minutes and their waits. */
import type { FloorRow } from '@tetrad/contracts';
import { WAITS } from '@tetrad/core/light';
import { endOf } from '../../waiting/timer-state';

/** Steps told at once. */
const MAX = 3;

export interface ToDo {
  readonly job: string;
  readonly vehicle: string;
  /** What to do there. */
  readonly step: string;
  /** Minutes of work to a decision there, at the median; null where nobody can say. */
  readonly minutes: number | null;
  readonly who: string;
  /** A wait that is over calls first. */
  readonly calls: boolean;
}
export interface Waiting {
  readonly vehicle: string;
  readonly name: string;
  readonly untilMs: number;
}
export interface ToDoNow {
  readonly steps: readonly ToDo[];
  /** The wait that ends first, during which something else may be done. */
  readonly meanwhile: Waiting | null;
}

/**
 * @param who Whose list: theirs and what nobody has; empty for everybody's.
 * @param nowMs The server's time.
 */
export function toDoNow(rows: readonly FloorRow[], nowMs: number, who = ''): ToDoNow {
  const open = rows.filter(({ status, assignee }) => status === 'open' && (!who || !assignee || assignee === who));
  const steps: ToDo[] = [];
  let meanwhile: Waiting | null = null;
  for (const row of open) {
    const { timer, waitsFor, vehicle, assignee, decision, words } = row;
    const untilMs = timer ? endOf(timer) : null;
    const isWaiting = untilMs !== null && untilMs > nowMs;
    if (timer && isWaiting) {
      if (meanwhile === null || untilMs < meanwhile.untilMs)
        meanwhile = { vehicle: vehicle.name, name: WAITS[timer.kind].name, untilMs };
      continue;
    }
    if (waitsFor === null && !timer) continue;
    steps.push({
      job: row.id,
      vehicle: vehicle.name,
      step: timer ? WAITS[timer.kind].then : words.waitsFor,
      minutes: decision?.minutes || null,
      who: assignee ?? '',
      calls: timer !== null,
    });
  }
  steps.sort(
    (a, b) =>
      Number(b.calls) - Number(a.calls) ||
      Number(b.who === who && who !== '') - Number(a.who === who && who !== '') ||
      (a.minutes ?? Infinity) - (b.minutes ?? Infinity),
  );
  return { steps: steps.slice(0, MAX), meanwhile };
}
