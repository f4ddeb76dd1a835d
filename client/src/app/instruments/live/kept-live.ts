import type { ReadingConditions } from '@tetrad/core';

/** What Enter keeps of what is read live. */
export interface KeptLive {
  readonly value: number;
  readonly resolution: number;
  readonly accuracy: number | null;
  /** Who read it, by the shop and by itself. */
  readonly instrument: string;
  /** What was read beside it, or follows from how it was read. */
  readonly conditions: ReadingConditions;
  /** Where the value is not what the display shows just now: the extremes beside it. */
  readonly from:
    { readonly how: 'count'; readonly lowest: number; readonly highest: number } | { readonly how: 'load' } | null;
}
