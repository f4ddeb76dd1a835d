/** What was said with so much certainty, against how often it was true. */

/** So many jobs whose truth is known make a calibration; fewer say nothing. */
export const MIN_CALIBRATED = 30;
/** Where the groups of certainty begin; the last ends at 1. */
const GROUPS_FROM = [0, 0.55, 0.65, 0.75, 0.85, 0.95] as const;
/** Of the normal distribution, for a band that holds 90 % of what may be. */
const Z_90 = 1.645;

/** A decision whose truth came out. */
export interface Said {
  /** 0 to 1. */
  readonly probability: number;
  readonly isTrue: boolean;
}

export interface CalibrationGroup {
  readonly jobs: number;
  /** Mean of what was said, 0 to 1. */
  readonly said: number;
  /** Share that was true, 0 to 1, and the band that holds it with 90 %. */
  readonly true: number;
  readonly low: number;
  readonly high: number;
}

/** @returns the groups in which there is anything, least certain first; null with fewer than `MIN_CALIBRATED`. */
export function calibrate(said: readonly Said[]): readonly CalibrationGroup[] | null {
  if (said.length < MIN_CALIBRATED) return null;
  return GROUPS_FROM.flatMap((from, at): CalibrationGroup[] => {
    const to = GROUPS_FROM[at + 1] ?? Infinity;
    const group = said.filter(({ probability }) => probability >= from && probability < to);
    const jobs = group.length;
    if (jobs === 0) return [];
    const right = group.filter(({ isTrue }) => isTrue).length;
    const mean = group.reduce((sum, { probability }) => sum + probability, 0) / jobs;
    return [{ jobs, said: mean, true: right / jobs, ...shareBand(right, jobs) }];
  });
}

/**
 * The band that holds a share with 90 % (Wilson's score interval).
 *
 * @param right How many of `all`.
 * @param all Above 0.
 */
export function shareBand(right: number, all: number): { readonly low: number; readonly high: number } {
  const share = right / all;
  const square = Z_90 ** 2;
  const center = (share + square / (2 * all)) / (1 + square / all);
  const half = (Z_90 / (1 + square / all)) * Math.sqrt((share * (1 - share)) / all + square / (4 * all ** 2));
  return { low: Math.max(0, center - half), high: Math.min(1, center + half) };
}
