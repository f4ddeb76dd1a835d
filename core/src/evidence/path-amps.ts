import { FULL_OUTPUT_SHARE, isCrankingPath, isPathTest, pathOf } from '../circuit/paths';
import type { PathLoad } from '../circuit/paths';
import type { Reading } from '../format/reading-shape';
import type { UsualAmps } from '../criteria/usual-amps';
import { latest } from './case-context';
import type { NumericReading, CaseContext } from './case-context';

/** A drop this near to the whole battery voltage (12 V) is an open path, whatever the current. */
const OPEN_PATH_VOLTS = 6;
/** Under this an alternator gives no current to read a drop by, A. */
const SOME_OUTPUT_AMPS = 3;
/** Under this no current flows, A. */
export const SOME_AMPS = 5;

/** The current that loads a path in usual work, A; null where the case does not tell. */
export function referenceAmps(loadedBy: PathLoad, { draw, case: { system } }: CaseContext): number | null {
  // of an engine that nobody told the plain figure of a limit holds, and nothing is brought to a current
  if (loadedBy === 'cranking') return draw.source === 'unknown' ? null : draw.reference;
  const rated = system.alternator?.ratedAmps;
  return rated === undefined ? null : rated * FULL_OUTPUT_SHARE;
}

/** An alternator whose rating nobody told gives at least so much where a drop is read: of a small one near full output, A. */
const SMALLEST_OUTPUT_AMPS = 40;

/** The range of currents that load a path in usual work; null of an engine that nobody told. */
export function usualAmps(loadedBy: PathLoad, context: CaseContext): UsualAmps | null {
  if (loadedBy === 'cranking') {
    const { min, max, reference, source } = context.draw;
    return source === 'unknown' ? null : { min, max, middle: reference };
  }
  const full = referenceAmps('charging', context);
  // a plain figure at whatever current would pass a bad cable at 10 A
  return full === null
    ? { min: SMALLEST_OUTPUT_AMPS, max: Infinity, middle: SMALLEST_OUTPUT_AMPS }
    : { min: full, max: full, middle: full };
}

/** The least usual current of a path, A: what a drop is read by at the least, halved (docs/criteria.md, drops). */
export function availableAmps(loadedBy: PathLoad, context: CaseContext): number | null {
  if (loadedBy === 'cranking') return context.draw.min;
  const rated = referenceAmps('charging', context);
  const output = latest(context, 'alternator-current')?.value;
  return rated !== null && output !== undefined && output > SOME_OUTPUT_AMPS ? Math.min(rated, output) : rated;
}

/** Amps told with a drop are the ceiling of the clamp from this share of it on. */
const AT_CEILING = 0.9;

/**
 * The amps told with a drop. Where the clamp showed its ceiling in this pass, amps near that ceiling are the
 * clamp's: at least the usual current flowed.
 */
export function toldAmps({ test, conditions }: Reading, context: CaseContext): number | undefined {
  const told = conditions?.amps;
  const ceiling = context.clampCeiling;
  if (told === undefined || ceiling === null || !isCrankingPath(test)) return told;
  return told < ceiling * AT_CEILING || told > ceiling ? told : Math.max(told, context.draw.reference);
}

/** The current a drop was read at, A: as told, else that of the starter or the alternator; null where unknown. */
export function ampsOf(reading: NumericReading, context: CaseContext): number | null {
  const told = toldAmps(reading, context);
  if (told !== undefined) return told;
  if (!isPathTest(reading.test)) return null;
  const { loadedBy } = pathOf(reading.test);
  const read = latest(context, loadedBy === 'cranking' ? 'starter-draw' : 'alternator-current')?.value;
  return read !== undefined && read > SOME_AMPS ? read : referenceAmps(loadedBy, context);
}

/** True where nearly the whole battery voltage lies across the path. */
export const isOpen = ({ value }: NumericReading, { scale }: CaseContext): boolean =>
  Math.abs(value) >= OPEN_PATH_VOLTS * scale;
