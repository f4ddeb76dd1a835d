import type { FloorRow } from '@tetrad/contracts';
import { clockWords, waits } from '../../waiting/timer-state';

/** A row as the floor shows and sorts it. */
export interface FloorLine {
  readonly row: FloorRow;
  readonly vehicle: string;
  readonly complaint: string;
  readonly waitsFor: string;
  readonly verdict: string;
  readonly tone: FloorRow['words']['tone'];
  readonly who: string;
  readonly changedAt: string;
  /** Sorts what is ready before what waits: lower comes first. */
  readonly readiness: number;
  /** The wait it is in, or null. */
  readonly wait: { readonly name: string; readonly over: boolean; readonly left: string } | null;
}

export const floorLine = (row: FloorRow, nowMs: number): FloorLine => ({
  ...waitOf(row, nowMs),
  row,
  vehicle: row.vehicle.name,
  ...row.words,
  who: row.assignee ?? '',
  changedAt: row.changedAt,
});

/** Ready first: a wait that is over, then work that can be done now, then waits by their end, then the settled. */
function waitOf(row: FloorRow, nowMs: number): Pick<FloorLine, 'readiness' | 'wait'> {
  const [now] = row.timer ? waits([row.timer], nowMs) : [];
  if (now?.state.over) return { readiness: 0, wait: { name: now.row.name, over: true, left: '' } };
  if (now && !now.state.over)
    return {
      readiness: 2 + now.state.leftS,
      wait: { name: now.row.name, over: false, left: clockWords(now.state.leftS) },
    };
  return { readiness: row.waitsFor === null && row.decision !== null ? 1e9 : 1, wait: null };
}

/** True where every word is in what the line shows. */
export function matches(
  { row, vehicle, complaint, waitsFor, verdict, who }: FloorLine,
  words: readonly string[],
): boolean {
  const text =
    `${vehicle} ${row.vehicle.plate ?? ''} ${row.vehicle.vin ?? ''} ${complaint} ${waitsFor} ${verdict} ${who}`.toLowerCase();
  return words.every((word) => text.includes(word));
}
