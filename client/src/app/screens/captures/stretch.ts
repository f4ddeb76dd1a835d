/** What is seen of a record: a stretch of its time that is never wider than the record and never out of it. */

/** A stretch of time, s from the begin of the record. */
export interface Stretch {
  readonly fromS: number;
  readonly toS: number;
}

/** Closer than this nothing more is seen, s. */
export const CLOSEST_S = 2e-4;
/** A key pans by this share of what is seen. */
const PAN_STEP = 1 / 8;
/** What is seen on either side of a stretch: a share of it, and at least so much, s. */
const MARGIN = 0.15;
const MIN_MARGIN_S = 0.02;

/**
 * Brings a stretch into the record; one that is too narrow is widened, one that reaches out is moved.
 *
 * @param endS Length of the record, s; above 0.
 * @returns null where it is all of the record.
 */
export function within({ fromS, toS }: Stretch, endS: number): Stretch | null {
  const span = Math.min(endS, Math.max(CLOSEST_S, toS - fromS));
  const from = Math.max(0, Math.min(endS - span, fromS));
  return span >= endS ? null : { fromS: from, toS: from + span };
}

/**
 * @param factor Below 1 goes closer, above 1 further.
 * @param aroundS Where the time stays, s; the middle where it is not seen.
 */
export function zoomed({ fromS, toS }: Stretch, factor: number, aroundS: number): Stretch {
  const at = aroundS >= fromS && aroundS <= toS ? aroundS : (fromS + toS) / 2;
  return { fromS: at - (at - fromS) * factor, toS: at + (toS - at) * factor };
}

/** @param by 1 onward, −1 back. */
export function panned({ fromS, toS }: Stretch, by: 1 | -1): Stretch {
  const step = by * (toS - fromS) * PAN_STEP;
  return { fromS: fromS + step, toS: toS + step };
}

/** A little more than the stretch, so that its ends are seen; within the record. */
export function withMargin({ fromS, toS }: Stretch, endS: number): Stretch {
  const margin = Math.max(MIN_MARGIN_S, (toS - fromS) * MARGIN);
  return { fromS: Math.max(0, fromS - margin), toS: Math.min(endS, toS + margin) };
}
