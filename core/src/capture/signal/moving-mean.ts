/**
 * The mean around every value, over `width` values (made odd); at the ends over what there is.
 *
 * @param width Whole number of values, at least 1.
 */
export function movingMean(values: Float32Array, width: number): Float32Array {
  const half = Math.floor(Math.max(1, width) / 2);
  const means = new Float32Array(values.length);
  let sum = 0;
  let from = 0;
  let to = 0;
  for (let at = 0; at < values.length; at++) {
    const last = Math.min(values.length, at + half + 1);
    while (to < last) sum += values[to++]!;
    while (from < at - half) sum -= values[from++]!;
    means[at] = sum / (to - from);
  }
  return means;
}
