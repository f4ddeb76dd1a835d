/** Finds where the key was turned on: a small lasting fall of the volts before the start. */
import { noiseOf } from '../signal/stretch';
import type { Envelope } from '../signal/envelope';

/** Modules, lamps and pumps take at least so many volts, per 12 V. */
const MIN_STEP_V = 0.025;
/** The step must stand out of what the level itself wanders by this much. */
const STANDS_OUT = 6;
/** Each side of the step lasts at least so long, s. */
const MIN_SIDE_S = 0.05;

/**
 * @param to The block at which the start begins.
 * @param scale Nominal volts / 12.
 * @returns The block of the step; null where none is seen.
 */
export function findKeyOn({ mean, blockS }: Envelope, to: number, scale: number): number | null {
  const side = Math.max(2, Math.round(MIN_SIDE_S / blockS));
  if (to < 2 * side + 1) return null;
  const sums = new Float64Array(to + 1);
  const squares = new Float64Array(to + 1);
  for (let at = 0; at < to; at++) {
    const value = mean[at]! - mean[0]!;
    sums[at + 1] = sums[at]! + value;
    squares[at + 1] = squares[at]! + value * value;
  }
  // the split that leaves least spread within its two sides
  const spread = (from: number, end: number): number =>
    squares[end]! - squares[from]! - (sums[end]! - sums[from]!) ** 2 / (end - from);
  let best = -1;
  let least = Infinity;
  for (let at = side; at <= to - side; at++) {
    const left = spread(0, at) + spread(at, to);
    if (left < least) [least, best] = [left, at];
  }
  const before = sums[best]! / best;
  const after = (sums[to]! - sums[best]!) / (to - best);
  const wanders = Math.max(Math.sqrt(Math.max(0, least) / to), noiseOf(mean, 0, to)) / Math.sqrt(side);
  return before - after > Math.max(MIN_STEP_V * scale, STANDS_OUT * wanders) ? best : null;
}
