/** The drops of a case as equations: the newest reading of every path, with its current, and which contradict. */
import { PATHS, PATH_TESTS, isPartOf } from '../circuit/paths';
import type { PathTest } from '../circuit/paths';
import { latest } from './case-context';
import type { CaseContext, NumericReading } from './case-context';
import { SOME_AMPS, ampsOf, isOpen } from './path-amps';
import type { Contradiction } from './path-solution';

/** Relative error of a drop, and of two cranks that are not the same; its last digits, V. */
const RELATIVE_ERROR = 0.04;
const DIGITS_VOLTS = 0.006;
/** A part may lose this share of itself, and this much (12 V), more than its whole before the two contradict. */
const CONTRADICTS_SHARE = 0.25;
const CONTRADICTS_VOLTS = 0.15;

/** One drop: its volts are the ohms of its pieces times its amps. */
export interface PathReading {
  readonly test: PathTest;
  readonly reading: NumericReading;
  readonly amps: number;
  readonly volts: number;
  readonly error: number;
  readonly isOpen: boolean;
}

/** @returns the newest valid reading of a path as one equation; null where there is none, or nobody knows its current. */
export function pathReading(test: PathTest, context: CaseContext): PathReading | null {
  const reading = latest(context, test);
  const amps = reading && ampsOf(reading, context);
  if (!reading || amps === null || amps === undefined) return null;
  const volts = Math.abs(reading.value);
  const error = Math.max(reading.uncertainty ?? 0, DIGITS_VOLTS * context.scale + RELATIVE_ERROR * volts);
  return { test, reading, amps, volts, error, isOpen: isOpen(reading, context) };
}

/** @returns the newest valid reading of every path as one equation. */
export function pathReadings(context: CaseContext): readonly PathReading[] {
  const rows: PathReading[] = [];
  for (const test of PATH_TESTS) {
    const row = pathReading(test, context);
    if (row) rows.push(row);
  }
  return rows;
}

/** Readings through which a current flows: what is solved. */
export const isClosed = ({ amps, isOpen: open }: PathReading): boolean => amps > SOME_AMPS && !open;

const FOUND = new WeakMap<CaseContext, readonly Contradiction[]>();

/** The parts that lost more than the whole they lie in; every drop of a case asks, so they are looked for once. */
export function contradictionsOf(context: CaseContext): readonly Contradiction[] {
  let found = FOUND.get(context);
  if (!found) FOUND.set(context, (found = findContradictions(context)));
  return found;
}

function findContradictions(context: CaseContext): readonly Contradiction[] {
  const rows = pathReadings(context);
  const found: Contradiction[] = [];
  for (const part of rows)
    for (const whole of rows) {
      if (!isPartOf(part.test, whole.test) || PATHS[part.test].loadedBy !== PATHS[whole.test].loadedBy) continue;
      // an open piece carries the battery's volts at any current, and so does every path that it lies in
      if (part.isOpen && !whole.isOpen) found.push({ part: part.test, whole: whole.test });
      if (!isClosed(part) || !isClosed(whole)) continue;
      const more = part.volts - (whole.volts * part.amps) / whole.amps;
      if (more > CONTRADICTS_SHARE * part.volts && part.volts > CONTRADICTS_VOLTS * context.scale)
        found.push({ part: part.test, whole: whole.test });
    }
  return found;
}
