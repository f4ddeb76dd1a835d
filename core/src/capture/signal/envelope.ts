/** A channel in blocks of about a millisecond: mean, lowest and highest, small enough to look at as a whole. */

export interface Envelope {
  /** Seconds of one block. */
  readonly blockS: number;
  /** Samples of one block. */
  readonly width: number;
  readonly mean: Float32Array;
  readonly low: Float32Array;
  readonly high: Float32Array;
}

/** A millisecond: shorter than anything a start does, long enough to still the noise. */
const BLOCK_S = 1e-3;

/** Samples of one block of the envelope. @param sampleRateHz Samples a second, Hz. */
export const blockWidth = (sampleRateHz: number): number => Math.max(1, Math.round(BLOCK_S * sampleRateHz));

/**
 * @param samples At least one block of them; a part of a block at the end is left out.
 * @param sampleRateHz Samples a second.
 */
export function envelopeOf(samples: Float32Array, sampleRateHz: number): Envelope {
  const width = blockWidth(sampleRateHz);
  const blocks = Math.floor(samples.length / width);
  const mean = new Float32Array(blocks);
  const low = new Float32Array(blocks);
  const high = new Float32Array(blocks);
  for (let block = 0; block < blocks; block++) {
    const from = block * width;
    let sum = 0;
    let least = Infinity;
    let most = -Infinity;
    for (let at = from; at < from + width; at++) {
      const value = samples[at]!;
      sum += value;
      if (value < least) least = value;
      if (value > most) most = value;
    }
    mean[block] = sum / width;
    low[block] = least;
    high[block] = most;
  }
  return { blockS: width / sampleRateHz, width, mean, low, high };
}
