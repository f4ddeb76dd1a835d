/** Sums over a stretch of values. */
import { quantileSorted } from 'simple-statistics';

/** Values looked at where a quantile of a long stretch is wanted. */
const LOOKED_AT = 4001;

/** Mean of values `from` to before `to`; NaN where there are none. */
export function meanOf(values: Float32Array, from = 0, to = values.length): number {
  let sum = 0;
  for (let at = from; at < to; at++) sum += values[at]!;
  return sum / (to - from);
}

/** Population standard deviation of values `from` to before `to`. */
export function deviationOf(values: Float32Array, from = 0, to = values.length): number {
  const mean = meanOf(values, from, to);
  let sum = 0;
  for (let at = from; at < to; at++) sum += (values[at]! - mean) ** 2;
  return Math.sqrt(sum / (to - from));
}

/** Quantiles of a stretch, from values spread evenly over it. @param shares Each 0 to 1. */
export function quantilesOf(values: Float32Array, shares: readonly number[], from = 0, to = values.length): number[] {
  const every = Math.max(1, Math.floor((to - from) / LOOKED_AT));
  const picked: number[] = [];
  for (let at = from; at < to; at += every) picked.push(values[at]!);
  picked.sort((a, b) => a - b);
  return shares.map((share) => (picked.length > 0 ? quantileSorted(picked, share) : NaN));
}

/** The middle value of a stretch; NaN where it is empty. @param from First sample. @param to After the last sample. */
export const medianOf = (values: Float32Array, from = 0, to = values.length): number =>
  quantilesOf(values, [0.5], from, to)[0]!;

/** Median of the distance between neighbours, as the standard deviation of white noise that has it. */
const NOISE_PER_STEP = 1 / (0.6745 * Math.SQRT2);

/** Noise of a channel from neighbouring samples: what is left when nothing slower than the sampling happens. */
export function noiseOf(values: Float32Array, from = 0, to = values.length): number {
  const every = Math.max(1, Math.floor((to - from) / LOOKED_AT));
  const steps: number[] = [];
  for (let at = from + 1; at < to; at += every) steps.push(Math.abs(values[at]! - values[at - 1]!));
  steps.sort((a, b) => a - b);
  return steps.length > 0 ? quantileSorted(steps, 0.5) * NOISE_PER_STEP : 0;
}
