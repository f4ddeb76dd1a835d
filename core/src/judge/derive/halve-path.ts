/** Halving a failing path: which parts it has, what each lost, and where to measure next. */
import { isPathTest, partsOf, pathOf } from '../../circuit/paths';
import type { PathTest, PieceName } from '../../circuit/paths';
import type { TestName } from '../../format/names';
import type { PathSolution } from '../../evidence/path-solution';

export interface PathPart {
  /** The reading of this part; null for what no measured part explains. */
  readonly test: PathTest | null;
  readonly pieces: readonly PieceName[];
  /** Volts lost in it at the current of the whole path; null where it is not measured. */
  readonly volts: number | null;
  readonly ohms: number | null;
}

export interface HalvedPath {
  readonly test: PathTest;
  /** Volts the whole path lost. */
  readonly volts: number;
  /** Parts that have a reading of their own, measured or not. */
  readonly parts: readonly PathPart[];
  /** What no measured part explains. */
  readonly rest: PathPart;
  /** The part to measure next, or null where all that would tell more are known. */
  readonly next: PathTest | null;
}

/** Under this no resistance is told, A. */
const MIN_AMPS = 5;

/**
 * Takes a measured path apart. Parts read at another current are brought to the current of the whole; a part
 * that lies in another part counts once.
 *
 * @returns null where the test is no path with parts, or has no valid reading.
 */
export function halvePath({ rests }: PathSolution, test: TestName): HalvedPath | null {
  if (!isPathTest(test)) return null;
  const whole = rests.find((rest) => rest.test === test);
  const known = partsOf(test);
  if (!whole || known.length === 0) return null;
  const ohmsOf = (volts: number | null): number | null =>
    volts !== null && whole.amps > MIN_AMPS ? volts / whole.amps : null;
  const parts = known.map((part): PathPart => {
    const found = rests.find((rest) => rest.test === part);
    const volts = found ? (found.volts * whole.amps) / found.amps : null;
    return { test: part, pieces: found?.pieces ?? pathOf(part).pieces, volts, ohms: ohmsOf(volts) };
  });
  const left = whole.pieces;
  const next = parts.find(({ volts, pieces }) => volts === null && pieces.some((piece) => left.includes(piece)));
  return {
    test,
    volts: Math.abs(whole.reading.value),
    parts,
    rest: { test: null, pieces: left, volts: whole.volts, ohms: ohmsOf(whole.volts) },
    next: next?.test ?? null,
  };
}
