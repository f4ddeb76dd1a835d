/** The battery's resistance from many samples of one start: how the volts fall as the current rises. */
import { movingMean } from '../signal/moving-mean';
import { meanOf } from '../signal/stretch';
import type { Signal } from './signal';

export interface Slope {
  readonly ohm: number;
  /** Standard error, ohm. */
  readonly error: number;
}

/** What changes slower than this is charge and warmth, not resistance, s. */
const DRIFT_S = 0.4;
/** Neighbouring blocks say the same again: one in so many counts for the error. */
const COUNTS_S = 0.02;
/** A current that moves less than this tells no slope, A. */
const MIN_MOVE_A = 3;

/**
 * Least squares of volts over amps, both without their drift.
 *
 * @param from Blocks, from the first current to the end of the crank.
 * @param to One past the last block.
 */
export function slopeOf({ volts, amps }: Signal, from: number, to: number): Slope | null {
  if (!amps || to - from < 20) return null;
  const { blockS } = volts.envelope;
  const width = Math.round(DRIFT_S / blockS);
  const plain = (values: Float32Array): Float32Array => {
    const part = values.slice(from, to);
    const drift = movingMean(part, width);
    return part.map((value, at) => value - drift[at]!);
  };
  const current = plain(amps.envelope.mean);
  const wave = plain(volts.envelope.mean);
  const middleA = meanOf(current);
  const middleV = meanOf(wave);
  let squares = 0;
  let products = 0;
  let total = 0;
  for (let at = 0; at < current.length; at++) {
    const a = current[at]! - middleA;
    const v = wave[at]! - middleV;
    squares += a * a;
    products += a * v;
    total += v * v;
  }
  const count = Math.max(4, (current.length * blockS) / COUNTS_S);
  if (Math.sqrt(squares / current.length) < MIN_MOVE_A) return null;
  const ohm = -products / squares;
  const left = Math.max(0, total - products ** 2 / squares) / current.length;
  return ohm > 0 ? { ohm, error: Math.sqrt((left * current.length) / squares / (count - 2)) } : null;
}
