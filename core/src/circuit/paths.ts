/**
 * The one table of the circuit's paths: the pieces that lose volts, and every drop reading as a sum of
 * pieces at the current that loads it. Void rules, evidence, halving, volt budget, proof, the drawing
 * and the simulation all read this table and have no path knowledge of their own.
 */
import type { FaultName, TestName } from '../format/names';
import { PIECE_WORDS } from '../format/words';
import type { PieceName } from '../format/words';

/** Pieces of the circuit between battery, starter and alternator. */
export const PIECES = {
  'positive-post': {
    name: 'positive post',
    fault: 'connection-positive-post',
    loadedBy: 'cranking',
    soundVolts: 0.025,
  },
  'positive-cable': { name: 'positive cable', fault: 'cable-starter-positive', loadedBy: 'cranking', soundVolts: 0.06 },
  solenoid: { name: 'solenoid', fault: 'solenoid-contacts', loadedBy: 'cranking', soundVolts: 0.09 },
  'starter-joint': {
    name: 'starter-to-block joint',
    fault: 'cable-starter-ground',
    loadedBy: 'cranking',
    soundVolts: 0.012,
  },
  'engine-strap': { name: 'engine ground', fault: 'cable-starter-ground', loadedBy: 'cranking', soundVolts: 0.02 },
  'body-strap': { name: 'body strap', fault: 'ground-body', loadedBy: 'cranking', soundVolts: 0.03 },
  'negative-post': { name: 'negative post', fault: 'connection-negative-post', loadedBy: 'cranking', soundVolts: 0.02 },
  'charge-cable': { name: 'charging cable', fault: 'charge-cable-positive', loadedBy: 'charging', soundVolts: 0.09 },
  'alternator-joint': {
    name: 'alternator ground',
    fault: 'charge-cable-ground',
    loadedBy: 'charging',
    soundVolts: 0.01,
  },
} as const satisfies Record<PieceName, PieceRow>;

interface PieceRow {
  readonly name: string;
  /** What is wrong where this piece loses too much. */
  readonly fault: FaultName;
  /** The current it usually carries. */
  readonly loadedBy: PathLoad;
  /**
   * What a sound piece usually loses at the usual current, V per 12 V: about 0.3 of the strict limit of
   * the path it lies in (docs/criteria.md, drops).
   */
  readonly soundVolts: number;
}
export type { PieceName };
export const PIECE_NAMES: readonly PieceName[] = PIECE_WORDS;

/** Share of its rating that an alternator gives near full output: the current of the charging paths. */
export const FULL_OUTPUT_SHARE = 0.8;

/** Which current loads a path: the starter's, or the alternator's near full output. */
export type PathLoad = 'cranking' | 'charging';

export interface PathRow {
  /** The pieces between the two leads: the reading is the sum of their drops. */
  readonly pieces: readonly PieceName[];
  readonly loadedBy: PathLoad;
  /** Most volts (12 V) by the strict and by the lenient school (docs/criteria.md, drops). */
  readonly strictVolts: number;
  readonly lenientVolts: number;
}

/** Every drop that is read, post to far end; the figures are those of docs/criteria.md, drops. */
export const PATHS = {
  'drop-positive-post': { pieces: ['positive-post'], loadedBy: 'cranking', strictVolts: 0.1, lenientVolts: 0.5 },
  'drop-negative-post': { pieces: ['negative-post'], loadedBy: 'cranking', strictVolts: 0.1, lenientVolts: 0.5 },
  'drop-starter-positive': {
    pieces: ['positive-post', 'positive-cable', 'solenoid'],
    loadedBy: 'cranking',
    strictVolts: 0.5,
    lenientVolts: 0.5,
  },
  'drop-solenoid': { pieces: ['solenoid'], loadedBy: 'cranking', strictVolts: 0.3, lenientVolts: 0.5 },
  'drop-starter-ground': {
    pieces: ['starter-joint', 'engine-strap', 'negative-post'],
    loadedBy: 'cranking',
    strictVolts: 0.2,
    lenientVolts: 0.5,
  },
  'drop-engine-ground': {
    pieces: ['engine-strap', 'negative-post'],
    loadedBy: 'cranking',
    strictVolts: 0.2,
    lenientVolts: 0.5,
  },
  'drop-body-ground': {
    pieces: ['body-strap', 'negative-post'],
    loadedBy: 'cranking',
    strictVolts: 0.2,
    lenientVolts: 0.5,
  },
  'drop-charge-positive': { pieces: ['charge-cable'], loadedBy: 'charging', strictVolts: 0.3, lenientVolts: 0.5 },
  'drop-charge-ground': {
    pieces: ['alternator-joint', 'engine-strap', 'negative-post'],
    loadedBy: 'charging',
    strictVolts: 0.1,
    lenientVolts: 0.5,
  },
  'drop-charge-total': {
    pieces: ['charge-cable', 'alternator-joint', 'engine-strap', 'negative-post'],
    loadedBy: 'charging',
    strictVolts: 0.4,
    lenientVolts: 1,
  },
} as const satisfies Partial<Record<TestName, PathRow>>;

export type PathTest = keyof typeof PATHS;
export const PATH_TESTS = Object.keys(PATHS) as readonly PathTest[];

/** True for a reading that is taken across a path. */
export const isPathTest = (test: string): test is PathTest => Object.hasOwn(PATHS, test);

const CRANKING_PATHS: ReadonlySet<string> = new Set(PATH_TESTS.filter((test) => PATHS[test].loadedBy === 'cranking'));
/** True for a drop that is read while the starter's current flows. */
export const isCrankingPath = (test: string): test is PathTest => CRANKING_PATHS.has(test);

/** @returns the path of a drop reading. */
export const pathOf = (test: PathTest): PathRow => PATHS[test];

const PARTS_OF: ReadonlyMap<PathTest, readonly PathTest[]> = new Map(
  PATH_TESTS.map((whole) => {
    const pieces: readonly PieceName[] = PATHS[whole].pieces;
    const inside = PATH_TESTS.filter((test) => PATHS[test].pieces.every((piece) => pieces.includes(piece)));
    const parts = inside.filter((test) => PATHS[test].pieces.length < pieces.length);
    return [whole, parts.sort((a, b) => PATHS[b].pieces.length - PATHS[a].pieces.length)];
  }),
);

/** The readings whose pieces all lie in `whole`, which has more; the largest first. */
export const partsOf = (whole: PathTest): readonly PathTest[] => PARTS_OF.get(whole)!;

/** True where every piece of `part` lies in `whole`, and `whole` has more. */
export const isPartOf = (part: PathTest, whole: PathTest): boolean => partsOf(whole).includes(part);

/** The pieces in which a fault may sit; none for a fault of something else. */
export const piecesOf = (fault: FaultName): readonly PieceName[] => PIECES_OF.get(fault) ?? [];

const PIECES_OF = new Map<FaultName, readonly PieceName[]>();
for (const piece of PIECE_NAMES) PIECES_OF.set(PIECES[piece].fault, [...piecesOf(PIECES[piece].fault), piece]);

const ACROSS: ReadonlyMap<FaultName, readonly PathTest[]> = new Map(
  [...PIECES_OF].map(([fault, pieces]) => {
    const across = PATH_TESTS.filter((test) => pathOf(test).pieces.some((piece) => pieces.includes(piece)));
    return [fault, across.sort((a, b) => PATHS[a].pieces.length - PATHS[b].pieces.length)];
  }),
);

/** The drop readings whose path is this fault's piece, the most direct first. */
export const readAcross = (fault: FaultName): readonly PathTest[] => ACROSS.get(fault) ?? [];
