/** Cells that were left empty. */
import type { Gap } from '../recording';

/**
 * Bridges missing samples (NaN) by straight lines, in place.
 *
 * @param dtS Time from one sample to the next, s.
 * @returns The stretches, s; null where every sample is missing.
 */
export function fillGaps(samples: Float32Array, dtS: number): readonly Gap[] | null {
  const gaps: Gap[] = [];
  let last = -1;
  for (let at = 0; at <= samples.length; at++) {
    if (at < samples.length && Number.isNaN(samples[at]!)) continue;
    if (at - last > 1) {
      if (last < 0 && at === samples.length) return null;
      const before = last < 0 ? samples[at]! : samples[last]!;
      const after = at === samples.length ? before : samples[at]!;
      for (let gap = last + 1; gap < at; gap++)
        samples[gap] = before + ((after - before) * (gap - last)) / Math.max(1, at - last);
      gaps.push({ fromS: Math.max(0, last) * dtS, toS: Math.min(samples.length - 1, at) * dtS });
    }
    last = at;
  }
  return gaps;
}
