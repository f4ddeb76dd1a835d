/** What flows through each fuse while everything is asleep, and through those that were pulled. */
import { fuseAmps } from '../circuit/fuse-ohms';
import { isNumeric, latest, notPossible, readingsOf } from './case-context';
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

/** A circuit that takes the current, by the fuse that feeds it. */
export interface DrainCircuit {
  readonly fuse: string;
  /** A through it while everything is asleep. */
  readonly amps: number;
}

/** The fuse with the most current: across it in place, or by what the draw falls to with it pulled; null where none is named. */
export function drainCircuit(context: CaseContext): DrainCircuit | null {
  const whole = latest(context, 'parasitic-draw')?.value;
  const inPlace = fuseCurrents(context).map(({ fuse, amps }) => ({ fuse, amps: amps ?? 0 }));
  const pulled = context.readings.flatMap(({ test, value, conditions }) =>
    test === 'parasitic-draw' && typeof value === 'number' && whole !== undefined && conditions?.pulled !== undefined
      ? [{ fuse: conditions.pulled, amps: whole - value }]
      : [],
  );
  const [most] = [...inPlace, ...pulled]
    .filter(({ fuse, amps }) => fuse !== '' && amps > 0)
    .sort((a, b) => b.amps - a.amps);
  return most ?? null;
}

/** The fuse with the most current across it in place that nobody pulled yet; null before the whole draw was read. */
export function fuseToPull(context: CaseContext): string | null {
  if (latest(context, 'parasitic-draw') === undefined) return null;
  const [most] = fuseCurrents(context).filter(({ fuse, amps }) => fuse !== '' && (amps ?? 0) > 0);
  const isPulled = context.readings.some(
    ({ test, conditions }) => test === 'parasitic-draw' && conditions?.pulled === most?.fuse,
  );
  return most && !isPulled ? most.fuse : null;
}

/** Somebody looked for the circuit: across its fuses, or by pulling one; or it cannot be done. */
export const isCircuitSought = (context: CaseContext): boolean =>
  readingsOf(context, 'fuse-drop').length > 0 || drainCircuit(context) !== null || notPossible(context, 'fuse-drop');
