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
