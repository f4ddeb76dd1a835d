import { storedObject } from '../device/stored-object';
import type { Act } from '../outbox/outbox-item';

/** Something that was done here, and what takes it back. */
export interface Done {
  /** What was done, for people: “12.61 V saved”. */
  readonly says: string;
  readonly back: readonly Act[];
  /** The step of the bench it was done at: undoing returns to it. */
  readonly at: string | null;
}
/** Acts that can be taken back, at most. */
export const MAX_UNDONE = 50;

const keyOf = (job: string): string => `tetrad.undo ${job}`;

/** What was done on this job in this tab, also before the page was loaded anew. */
export function keptUndo(job: string): readonly Done[] {
  const kept = storedObject(sessionStorage, keyOf(job));
  return Array.isArray(kept) ? (kept as readonly Done[]) : [];
}

export function keepUndo(job: string, done: readonly Done[]): void {
  try {
    sessionStorage.setItem(keyOf(job), JSON.stringify(done));
  } catch {
    // the tab may keep nothing: undo then reaches back to the last load of the page
  }
}
