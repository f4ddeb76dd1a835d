/** What flows through each fuse while everything is asleep, and through those that were pulled. */
import { fuseAmps } from '../circuit/fuse-ohms';
import { isNumeric, readingsOf } from './case-context';
import type { CaseContext, NumericReading } from './case-context';

/** A fuse and the current through it. */
export interface FuseCurrent {
  readonly fuse: string;
  /** A, always above or at 0; null where its rating is not told. */
  readonly amps: number | null;
  readonly reading: NumericReading;
}

/** The newest reading across each fuse, the largest current first. */
export function fuseCurrents(context: CaseContext): readonly FuseCurrent[] {
  const newest = new Map<string, FuseCurrent>();
  for (const reading of readingsOf(context, 'fuse-drop')) {
    if (!isNumeric(reading)) continue;
    const { fuse = '', fuseRating, fuseType } = reading.conditions ?? {};
    const amps = fuseRating === undefined ? null : fuseAmps(reading.value, fuseRating, fuseType);
    newest.set(fuse, { fuse, amps, reading });
  }
  return [...newest.values()].sort((a, b) => (b.amps ?? -1) - (a.amps ?? -1));
}
