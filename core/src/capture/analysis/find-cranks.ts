/** Finds the stretches in which the starter draws: a steep fall of the volts, until they come back. */
import { meanOf, medianOf } from '../signal/stretch';
import type { Envelope } from '../signal/envelope';
import { movingMean } from '../signal/moving-mean';

/** A crank in blocks of the envelope. */
export interface Crank {
  readonly from: number;
  /** One past the last block. */
  readonly to: number;
  /** The level just before, V. */
  readonly beforeV: number;
  /** A first look at the level that the crank settles to, V. */
  readonly aboutV: number;
}

/** The first current of a starter falls the volts within this, s. */
const FALL_S = 0.03;
/** A fall smaller than this is no starter, V per 12 V; glow plugs and lamps fall less. */
const MIN_FALL_V = 0.6;
/** A further crank falls at least this share of the deepest. */
const MIN_SHARE = 0.4;
/** From here after the fall a first look at the settled level is taken, s. */
const SETTLING_S: readonly [number, number] = [0.2, 0.6];
/** The crank is over where the mean over a compression or so has come back this far, for this long, s. */
const BACK_SHARE = 0.5;
const STILLED_S = 0.08;
const BACK_FOR_S = 0.1;
/** Noise and steps of the converter stay below this, V. */
const MIN_STEP_V = 0.05;

/** How much the mean before exceeds the mean after every block, V. */
function falls(mean: Float32Array, blocks: number): Float32Array {
  const sums = new Float64Array(mean.length + 1);
  for (let at = 0; at < mean.length; at++) sums[at + 1] = sums[at]! + mean[at]!;
  const over = (from: number, to: number): number => (sums[to]! - sums[from]!) / (to - from);
  const out = new Float32Array(mean.length);
  for (let at = blocks; at + blocks < mean.length; at++) out[at] = over(at - blocks, at) - over(at, at + blocks);
  return out;
}

/** @param scale Nominal volts / 12. */
export function findCranks({ mean, blockS }: Envelope, scale: number): readonly Crank[] {
  const blocks = Math.max(1, Math.round(FALL_S / blockS));
  const fall = falls(mean, blocks);
  const deepest = fall.reduce((most, value) => Math.max(most, value), 0);
  if (deepest < MIN_FALL_V * scale) return [];
  const enough = Math.max(MIN_FALL_V * scale, MIN_SHARE * deepest);
  const still = movingMean(mean, Math.max(1, Math.round(STILLED_S / blockS)));
  const cranks: Crank[] = [];
  for (let at = 0; at < fall.length; at++) {
    if (fall[at]! < enough) continue;
    const crank = crankFrom(at, { mean, still, blockS, blocks, scale });
    if (crank.to - crank.from > 1) cranks.push(crank);
    at = Math.max(at + blocks, crank.to);
  }
  return cranks;
}

interface Looked {
  readonly mean: Float32Array;
  readonly still: Float32Array;
  readonly blockS: number;
  readonly blocks: number;
  readonly scale: number;
}

function crankFrom(steep: number, { mean, still, blockS, blocks, scale }: Looked): Crank {
  const inBlocks = (seconds: number): number => Math.max(1, Math.round(seconds / blockS));
  const beforeV = medianOf(mean, Math.max(0, steep - 3 * blocks), Math.max(1, steep - blocks));
  let from = Math.max(1, steep - blocks);
  while (
    from < Math.min(mean.length - 1, steep + 2 * blocks) &&
    mean[from]! > beforeV - Math.max(MIN_STEP_V, 0.15 * scale)
  )
    from++;
  const [first, last] = [from + inBlocks(SETTLING_S[0]), Math.min(mean.length, from + inBlocks(SETTLING_S[1]))];
  const lowest = Math.min(...still.subarray(from, Math.max(from + 1, Math.min(first, still.length))));
  const aboutV = last > first ? Math.min(medianOf(mean, first, last), beforeV) : lowest;
  // a start that took less than the first look has come back already
  const level = beforeV - aboutV < 0.3 * (beforeV - lowest) ? lowest : aboutV;
  const back = level + BACK_SHARE * (beforeV - level);
  const stays = inBlocks(BACK_FOR_S);
  let to = from + inBlocks(FALL_S);
  while (to < mean.length && !(still[to]! > back && meanOf(still, to, Math.min(mean.length, to + stays)) > back)) to++;
  // the mean over a compression comes back later or earlier than the volts themselves
  const around = inBlocks(STILLED_S);
  let edge = Math.min(mean.length, to);
  for (let at = Math.min(mean.length - 1, to + around); at > Math.max(from, to - around); at--)
    if (mean[at]! < back) {
      edge = at + 1;
      break;
    }
  return { from, to: to >= mean.length ? mean.length : edge, beforeV, aboutV: level };
}
