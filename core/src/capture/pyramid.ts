/**
 * A channel as lowest and highest by ever larger blocks, so that any stretch of millions of samples is drawn
 * from a few thousand points without missing one peak.
 */

/** Samples of the smallest block, and how many blocks make one of the next level. */
const FIRST = 16;
const FACTOR = 4;

interface Level {
  readonly width: number;
  readonly low: Float32Array;
  readonly high: Float32Array;
}

export interface Pyramid {
  readonly samples: Float32Array;
  readonly levels: readonly Level[];
}

/** Lowest and highest of ever larger blocks, so that millions of samples can be drawn at any zoom. */
export function pyramidOf(samples: Float32Array): Pyramid {
  const levels: Level[] = [];
  let below: { readonly low: Float32Array; readonly high: Float32Array } = { low: samples, high: samples };
  let width = 1;
  for (let factor = FIRST; below.low.length > FACTOR; factor = FACTOR) {
    const blocks = Math.ceil(below.low.length / factor);
    const low = new Float32Array(blocks);
    const high = new Float32Array(blocks);
    for (let block = 0; block < blocks; block++) {
      const to = Math.min(below.low.length, (block + 1) * factor);
      let least = Infinity;
      let most = -Infinity;
      for (let at = block * factor; at < to; at++) {
        if (below.low[at]! < least) least = below.low[at]!;
        if (below.high[at]! > most) most = below.high[at]!;
      }
      low[block] = least;
      high[block] = most;
    }
    width *= factor;
    levels.push({ width, low, high });
    below = { low, high };
  }
  return { samples, levels };
}

/**
 * Lowest and highest of a stretch, in time that grows with the logarithm of its length.
 *
 * @param from First sample, from 0.
 * @param to After the last sample.
 * @returns In the unit of the samples.
 */
export function extremesOf({ samples, levels }: Pyramid, from: number, to: number): { low: number; high: number } {
  let low = Infinity;
  let high = -Infinity;
  const look = (level: number, first: number, end: number): void => {
    const { low: lows, high: highs } = level < 0 ? { low: samples, high: samples } : levels[level]!;
    for (let at = first; at < end; at++) {
      if (lows[at]! < low) low = lows[at]!;
      if (highs[at]! > high) high = highs[at]!;
    }
  };
  const widthOf = (level: number): number => (level < 0 ? 1 : levels[level]!.width);
  const between = (level: number, first: number, end: number): void => {
    if (first >= end) return;
    const width = widthOf(level);
    const coarser = level + 1 < levels.length ? widthOf(level + 1) : Infinity;
    const firstCoarse = Math.ceil(first / coarser) * coarser;
    const endCoarse = Math.floor(end / coarser) * coarser;
    if (!(firstCoarse < endCoarse)) return look(level, Math.floor(first / width), Math.ceil(end / width));
    look(level, Math.floor(first / width), Math.ceil(firstCoarse / width));
    between(level + 1, firstCoarse, endCoarse);
    look(level, Math.floor(endCoarse / width), Math.ceil(end / width));
  };
  between(-1, Math.max(0, from), Math.min(samples.length, to));
  return { low, high };
}

/**
 * A stretch for drawing: two points a column, lowest and highest in the order in which they stand.
 *
 * @param from First sample, from 0.
 * @param to After the last sample.
 * @param columns Pixels across.
 * @returns `at` in samples, `value` in their unit.
 */
export function drawn(
  pyramid: Pyramid,
  from: number,
  to: number,
  columns: number,
): { at: Float64Array; value: Float32Array } {
  const first = Math.max(0, Math.floor(from));
  const end = Math.min(pyramid.samples.length, Math.ceil(to));
  const count = Math.max(0, end - first);
  if (count <= columns * 2) {
    return {
      at: Float64Array.from({ length: count }, (_, index) => first + index),
      value: pyramid.samples.slice(first, end),
    };
  }
  const at = new Float64Array(columns * 2);
  const value = new Float32Array(columns * 2);
  for (let column = 0; column < columns; column++) {
    const left = first + Math.floor((count * column) / columns);
    const right = first + Math.floor((count * (column + 1)) / columns);
    const { low, high } = extremesOf(pyramid, left, right);
    const falls = pyramid.samples[left]! > pyramid.samples[right - 1]!;
    at[2 * column] = left;
    at[2 * column + 1] = (left + right) / 2;
    value[2 * column] = falls ? high : low;
    value[2 * column + 1] = falls ? low : high;
  }
  return { at, value };
}

/**
 * Lowest and highest of so many equal stretches, in turn: what a small picture needs.
 *
 * @param stretches How many, at least 1.
 */
export function outlineOf(pyramid: Pyramid, stretches: number): number[] {
  const { length } = pyramid.samples;
  return Array.from({ length: stretches }, (_, at) => {
    const from = Math.floor((length * at) / stretches);
    const { low, high } = extremesOf(pyramid, from, Math.max(from + 1, Math.floor((length * (at + 1)) / stretches)));
    return [low, high];
  }).flatMap((pair) => pair.map((value) => Number(value.toFixed(3))));
}
