/** Whether the volts leave the recorder's range: they stand at one figure exactly, where elsewhere they tremble. */
import type { Signal } from './signal';

export interface Clipped {
  readonly volts: number;
  readonly side: 'top' | 'bottom';
  readonly fromS: number;
  readonly toS: number;
}

/** At the edge of the range the same figure stands for at least so long, s, and so many samples. */
const STANDS_S = 0.003;
const STANDS_SAMPLES = 12;
/** And so many times longer than the longest run of one figure anywhere else. */
const LONGER = 5;
/** Samples looked at for that, and in how many stretches. */
const LOOKED_AT = 200_000;
const STRETCHES = 20;

/** The longest run of one figure within a stretch, and where it begins. */
function longestRun(
  samples: Float32Array,
  isOf: (value: number) => boolean,
  from: number,
  to: number,
): { from: number; length: number } {
  let best = { from, length: 0 };
  for (let at = from; at < to;) {
    const value = samples[at]!;
    let end = at + 1;
    while (end < samples.length && samples[end] === value) end++;
    if (isOf(value) && end - at > best.length) best = { from: at, length: end - at };
    at = end;
  }
  return best;
}

/** The longest run of any other figure, in stretches spread over the record. */
function runsElsewhere(samples: Float32Array, extreme: number): number {
  const length = Math.floor(LOOKED_AT / STRETCHES);
  if (samples.length <= LOOKED_AT) return longestRun(samples, (value) => value !== extreme, 0, samples.length).length;
  let longest = 0;
  for (let stretch = 0; stretch < STRETCHES; stretch++) {
    const from = Math.floor(((samples.length - length) * stretch) / (STRETCHES - 1));
    longest = Math.max(longest, longestRun(samples, (value) => value !== extreme, from, from + length).length);
  }
  return longest;
}

/** Where the volts stand at the end of the channel's range; null where they do not. */
export function clippedOf({ volts, sampleRateHz }: Signal): Clipped | null {
  const { samples, envelope } = volts;
  const { low, high, width } = envelope;
  const edges = [
    ['top', high.reduce((most, value) => Math.max(most, value), -Infinity), high],
    ['bottom', low.reduce((least, value) => Math.min(least, value), Infinity), low],
  ] as const;
  for (const [side, extreme, blocks] of edges) {
    let best = { from: 0, length: 0 };
    for (let block = 0; block < blocks.length; block++) {
      if (blocks[block] !== extreme || block * width < best.from + best.length) continue;
      const run = longestRun(samples, (value) => value === extreme, block * width, (block + 1) * width);
      if (run.length > best.length) best = run;
    }
    const { from, length } = best;
    if (length < Math.max(STANDS_SAMPLES, STANDS_S * sampleRateHz)) continue;
    if (length >= LONGER * Math.max(1, runsElsewhere(samples, extreme)))
      return { volts: extreme, side, fromS: from / sampleRateHz, toS: (from + length) / sampleRateHz };
  }
  return null;
}
