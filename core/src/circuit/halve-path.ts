/** Halving a failing path: which pieces a whole path has, what each lost, and where to measure next. */
import type { Case } from '../case/case-shape';
import { TESTS } from '../case/vocabulary';
import type { TestName } from '../case/vocabulary';

/** A whole path and the pieces of it that have a test of their own, in the order to measure them. */
const PATHS: Readonly<Partial<Record<TestName, { readonly pieces: readonly TestName[]; readonly rest: string }>>> = {
  'drop-starter-positive': { pieces: ['drop-solenoid', 'drop-positive-post'], rest: 'positive cable and its lugs' },
  'drop-starter-ground': {
    pieces: ['drop-engine-ground', 'drop-negative-post'],
    rest: 'starter mounting and ground strap',
  },
  'drop-charge-positive': { pieces: ['drop-positive-post'], rest: 'charging cable, link and its lugs' },
  'drop-charge-ground': { pieces: ['drop-negative-post'], rest: 'alternator mounting and ground strap' },
};
/** The engine's ground contains the negative post: what both lost is counted once. */
const CONTAINS: Readonly<Partial<Record<TestName, TestName>>> = { 'drop-engine-ground': 'drop-negative-post' };

export interface PathPiece {
  readonly name: string;
  readonly test: TestName | null;
  /** Volts lost in it at the current of the whole path; null where it is not measured. */
  readonly volts: number | null;
  readonly ohms: number | null;
}

export interface HalvedPath {
  readonly test: TestName;
  /** Volts the whole path lost. */
  readonly volts: number;
  readonly pieces: readonly PathPiece[];
  /** What no measured piece explains, V. */
  readonly rest: PathPiece;
  /** The piece to measure next, or null where all are known. */
  readonly next: TestName | null;
}

/**
 * Takes a measured path apart. Pieces read at another current are brought to the current of the whole.
 *
 * @returns null where the test is no path with pieces, or was not read.
 */
export function halvePath(subject: Case, test: TestName): HalvedPath | null {
  const path = PATHS[test];
  const whole = newest(subject, test);
  if (!path || !whole) return null;
  const lost = new Map<TestName, number>();
  for (const piece of path.pieces) {
    const read = newest(subject, piece);
    if (read) lost.set(piece, read.volts * (whole.amps && read.amps ? whole.amps / read.amps : 1));
  }
  for (const [outer, inner] of Object.entries(CONTAINS) as [TestName, TestName][]) {
    const [all, part] = [lost.get(outer), lost.get(inner)];
    if (all !== undefined && part !== undefined) lost.set(outer, Math.max(0, all - part));
  }
  const piece = (name: string, own: TestName | null, volts: number | null): PathPiece => ({
    name,
    test: own,
    volts,
    ohms: volts !== null && whole.amps ? volts / whole.amps : null,
  });
  const pieces = path.pieces.map((own) => piece(TESTS[own].name, own, lost.get(own) ?? null));
  const explained = [...lost.values()].reduce((sum, volts) => sum + volts, 0);
  return {
    test,
    volts: whole.volts,
    pieces,
    rest: piece(path.rest, null, Math.max(0, whole.volts - explained)),
    next: path.pieces.find((own) => !lost.has(own)) ?? null,
  };
}

function newest(subject: Case, test: TestName): { readonly volts: number; readonly amps: number | null } | null {
  const read = subject.readings.filter((reading) => reading.test === test && reading.void === undefined).at(-1);
  if (typeof read?.value !== 'number') return null;
  const amps = read.conditions?.amps;
  return { volts: Math.abs(read.value), amps: amps === undefined || amps <= 0 ? null : amps };
}
