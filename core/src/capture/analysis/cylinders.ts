/** Relative compression: the same cylinder comes back every round; a weak one asks for less current each time. */
import { mean, median, standardDeviation } from 'simple-statistics';
import type { Compression } from './compressions';

export interface CylinderCompression {
  /** In the order of firing, the first compression of the crank being 1. */
  readonly index: number;
  /** Of the strongest; 1 for that one. */
  readonly relative: number;
}

export interface Cylinders {
  readonly cylinders: readonly CylinderCompression[];
  /** Index of a weak one, and how sure that is; null where none stands out. */
  /** How much the others differ among themselves, as a share of their mean. */
  readonly unlike: number;
  readonly weak: { readonly index: number; readonly relative: number; readonly confidence: number } | null;
}

/** Rounds that must be seen before cylinders are told apart. */
const MIN_ROUNDS = 2;
/** Weak: its median below this share of the others' mean, by at least so many times what single rounds differ by. */
const WEAK_BELOW = 0.87;
const STANDS_OUT = 4;
const ALWAYS_BELOW = 0.93;
const MANY_ROUNDS = 4;
/** Rounds differ by at least this share, however few were seen. */
const MIN_SPREAD = 0.03;

/**
 * @param compressions Of the steady part, in order.
 * @param cylinders How many the engine has.
 * @param first How many compressions of the crank came before them.
 */
export function compareCylinders(
  compressions: readonly Compression[],
  cylinders: number,
  first: number,
): Cylinders | null {
  if (cylinders < 2 || compressions.length < MIN_ROUNDS * cylinders) return null;
  const heights: number[][] = Array.from({ length: cylinders }, () => []);
  compressions.forEach(({ height }, at) => heights[(first + at) % cylinders]!.push(height));
  // where the steady part begins one compression may be cut, and the next take what it lost
  const usuals = heights.map((own) => median(own));
  const strongest = Math.max(...usuals);
  if (!(strongest > 0)) return null;
  const compared = usuals.map((height, at) => ({ index: at + 1, relative: height / strongest }));
  const lowest = compared.reduce((a, b) => (b.relative < a.relative ? b : a));
  const others = usuals.filter((_, at) => at !== lowest.index - 1);
  const usual = mean(others);
  const share = usuals[lowest.index - 1]! / usual;
  const within = median(heights.map((seen) => (seen.length > 1 ? standardDeviation(seen) : 0)));
  const between = others.length > 1 ? standardDeviation(others) : 0;
  const spread = Math.max(MIN_SPREAD * usual, between, within / Math.sqrt(heights[lowest.index - 1]!.length));
  const stands = (usual - usuals[lowest.index - 1]!) / spread;
  // one odd compression is no cylinder: it must be low every time, or of many all but once
  const own = [...heights[lowest.index - 1]!].sort((a, b) => b - a);
  const always = own[own.length >= MANY_ROUNDS ? 1 : 0]! < ALWAYS_BELOW * usual;
  const isWeak = share < WEAK_BELOW && always && stands > STANDS_OUT;
  return {
    cylinders: compared,
    unlike: between / usual,
    weak: isWeak ? { index: lowest.index, relative: share, confidence: Math.min(0.98, 1 - 1 / stands) } : null,
  };
}
