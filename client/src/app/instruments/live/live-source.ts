/** What an instrument shows just now, as the server tells it, and where that comes from. */
import type { InstrumentFunction } from '@tetrad/core';

/** As the server tells it. */
export type LiveNews = (
  | { readonly state: 'connecting' | 'over-range' }
  | { readonly state: 'value'; readonly value: number; readonly resolution: number }
  | { readonly state: 'lost'; readonly why: string }
) & {
  /** Which instrument of the shop, and what it was asked for here. */
  readonly instrument: string;
  readonly as: InstrumentFunction;
  /** What it is read for; somebody else's choice where they came first. */
  readonly use: InstrumentFunction;
  readonly identity: string | null;
  readonly owner: string;
};

interface Common {
  readonly id: string;
  /** Its name in the shop. */
  readonly name: string;
  /** Somebody else reads it for something else just now. */
  readonly usedBy: string | null;
}
export type LiveReading = Common &
  (
    | { readonly state: 'connecting' | 'over-range' }
    | { readonly state: 'lost'; readonly why: string }
    | {
        readonly state: 'value';
        readonly value: number;
        /** When it came, on the page's own clock, ms. */
        readonly atMs: number;
        /** What Enter keeps: the mean where it is steady, with the digits of the display. */
        readonly kept: number;
        readonly resolution: number;
        readonly accuracy: number | null;
        readonly isSteady: boolean;
        /** Older than it may be to count as live. */
        readonly isStale: boolean;
        readonly lowest: number;
        readonly highest: number;
        /** Who it is, by the shop and by itself. */
        readonly instrument: string;
      }
  );

/** One instrument that is read for one thing. */
export interface LiveSource {
  readonly shop: string;
  readonly id: string;
  readonly name: string;
  readonly use: InstrumentFunction;
  readonly accuracy: number | null;
  /** Of a clamp that gives volts: its millivolts for each ampere. */
  readonly scale: number | null;
}
export const isSameSource = (a: LiveSource | null, b: LiveSource | null): boolean =>
  JSON.stringify(a) === JSON.stringify(b);
