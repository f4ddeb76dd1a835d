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

/** The longest run of one figure at an extreme, and the longest of any other figure. */
function runsAt(samples: Float32Array, extreme: number): { from: number; length: number; others: number } {
  let best = { from: 0, length: 0 };
  let others = 0;
  for (let from = 0; from < samples.length; ) {
    const value = samples[from]!;
    let to = from + 1;
    while (to < samples.length && samples[to] === value) to++;
    if (value !== extreme) others = Math.max(others, to - from);
    else if (to - from > best.length) best = { from, length: to - from };
    from = to;
  }
  return { ...best, others };
}

export function clippedOf({ volts: { samples }, sampleRateHz }: Signal): Clipped | null {
  let low = Infinity;
  let high = -Infinity;
  for (const value of samples) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  for (const [side, extreme] of [['top', high], ['bottom', low]] as const) {
    const { from, length, others } = runsAt(samples, extreme);
    if (length >= Math.max(STANDS_SAMPLES, STANDS_S * sampleRateHz) && length >= LONGER * Math.max(1, others))
      return { volts: extreme, side, fromS: from / sampleRateHz, toS: (from + length) / sampleRateHz };
  }
  return null;
}
