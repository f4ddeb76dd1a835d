/**
 * What each piece of the circuit loses, from every drop reading at once.
 *
 * A drop is the sum of its pieces' ohms times its own current, so all readings together are a small set of
 * linear equations. They are solved as weighted least squares with a sound vehicle's ohms as prior, held at
 * or above zero. The prior has a heavy tail (Student's t, by reweighting): what a sound vehicle cannot
 * explain goes into one bad piece and is not smeared over all.
 */
import { PIECES, PIECE_NAMES, partsOf, pathOf } from '../../circuit/paths';
import type { PathTest, PieceName } from '../../circuit/paths';
import type { CaseContext } from '../../evidence/case-context';
import { SOME_AMPS, referenceAmps } from '../../evidence/path-amps';
import { isClosed, pathReadings } from '../../evidence/path-readings';
import type { PathReading } from '../../evidence/path-readings';
import type { PathRest, PathSolution, PieceEstimate } from '../../evidence/path-solution';
import { once } from '../once';
import { solveSymmetric } from './solve-symmetric';

/** How far sound pieces differ, as a share of their usual ohms. */
const SOUND_SPREAD = 0.6;
/** Degrees of freedom of the prior's tail, and rounds of reweighting. */
const TAIL = 1;
const ROUNDS = 8;
/** The first round hardly leans on the prior, so that a bad piece may be found at all (in spreads, squared). */
const FIRST_AWAY = 1e5;
/** A piece that would be negative is held at nothing. */
const HELD = 1e9;
/** A piece is told apart where its estimate is this much sharper than the sum it lies in. */
const TOLD_SHARE = 0.35;

/**
 * @param context One pass of a case, its void readings left out.
 * @returns what its drops tell of each piece.
 */
export function solvePaths(context: CaseContext): PathSolution {
  const rows = pathReadings(context);
  const closed = rows.filter(isClosed);
  return {
    pieces: once(() => estimate(closed, context)),
    rests: rows.filter((row) => row.isOpen || row.amps > SOME_AMPS).map((row) => restOf(row, rows)),
  };
}

/** The sound ohms of a piece in this vehicle. */
function soundOhms(piece: PieceName, context: CaseContext): number {
  const { loadedBy, soundVolts } = PIECES[piece];
  return (soundVolts * context.scale) / (referenceAmps(loadedBy, context) ?? context.draw.reference);
}

function estimate(rows: readonly PathReading[], context: CaseContext): ReadonlyMap<PieceName, PieceEstimate> {
  const read = PIECE_NAMES.filter((piece) => rows.some(({ test }) => pathOf(test).pieces.includes(piece)));
  const found = new Map<PieceName, PieceEstimate>();
  if (read.length === 0) return found;
  const size = read.length;
  const prior = read.map((piece) => soundOhms(piece, context));
  const tight = prior.map((ohms) => 1 / (ohms * SOUND_SPREAD) ** 2);
  const members = rows.map(({ test }) =>
    pathOf(test)
      .pieces.map((piece) => read.indexOf(piece))
      .filter((at) => at >= 0),
  );
  let ohms = [...prior];
  let held = new Set<number>();
  let covariance: Float64Array = new Float64Array(size * size);
  for (let round = 0; round < ROUNDS; round++) {
    const normal = new Float64Array(size * size);
    const right = new Float64Array(size);
    for (let i = 0; i < size; i++) {
      // Student's t: the further a piece is from sound, the less the prior holds it
      const away = round === 0 ? FIRST_AWAY : (ohms[i]! - prior[i]!) ** 2 * tight[i]!;
      const weight = held.has(i) ? tight[i]! * HELD : (tight[i]! * (TAIL + 1)) / (TAIL + away);
      normal[i * size + i]! += weight;
      right[i]! += weight * (held.has(i) ? 0 : prior[i]!);
    }
    rows.forEach(({ amps, volts, error }, r) => {
      const weight = (amps / error) ** 2;
      for (const i of members[r]!) {
        right[i]! += (weight * volts) / amps;
        for (const j of members[r]!) normal[i * size + j]! += weight;
      }
    });
    const solved = solveSymmetric(normal, right, size);
    covariance = solved.inverse;
    ohms = [...solved.solution];
    held = new Set(ohms.flatMap((value, i) => (value <= 0 ? [i] : [])));
    ohms = ohms.map((value) => Math.max(0, value));
  }
  read.forEach((piece, i) => {
    const own = rows.filter(({ test }) => pathOf(test).pieces.includes(piece));
    const spread = Math.sqrt(Math.max(0, covariance[i * size + i]!));
    const atMostOhms = Math.min(...own.map(({ volts, error, amps }) => (volts + error) / amps));
    found.set(piece, { piece, ohms: ohms[i]!, spread, atMostOhms, isTold: isTold(own, spread, atMostOhms) });
  });
  return found;
}

const isTold = (own: readonly PathReading[], spread: number, atMostOhms: number): boolean =>
  own.some(({ test }) => pathOf(test).pieces.length === 1) || spread < TOLD_SHARE * atMostOhms;

/** Takes off a reading what the largest measured parts that do not overlap explain. */
function restOf(row: PathReading, rows: readonly PathReading[]): PathRest {
  const left = new Set<PieceName>(pathOf(row.test).pieces);
  const parts: PathTest[] = [];
  let { volts } = row;
  let variance = row.error ** 2;
  for (const test of partsOf(row.test)) {
    const part = rows.find((other) => other.test === test);
    if (!part) continue;
    const { pieces } = pathOf(test);
    if (!pieces.every((piece) => left.has(piece)) || (part.amps <= SOME_AMPS && !row.isOpen)) continue;
    const factor = row.isOpen || part.isOpen || part.amps <= SOME_AMPS ? 1 : row.amps / part.amps;
    for (const piece of pieces) left.delete(piece);
    parts.push(part.test);
    volts -= part.volts * factor;
    variance += (part.error * factor) ** 2;
  }
  const spread = Math.sqrt(variance);
  return {
    test: row.test,
    reading: row.reading,
    amps: row.amps,
    volts: Math.max(0, volts),
    spread,
    parts,
    pieces: [...left],
    isOpen: row.isOpen && volts >= row.volts / 2,
  };
}
