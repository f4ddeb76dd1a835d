/** When a series will reach its limit, by a robust line through its points, with a band that holds four times of five. */
import { mad } from 'simple-statistics';
import { randomOf } from '../circuit/model/random';
import { theilSen } from './theil-sen';

/** One figure of a series at a day. */
export interface DatedFigure {
  readonly at: string;
  readonly value: number;
  readonly spread: number;
}
export interface Projection {
  /** By when, at the earliest and at the latest, four times of five; null for later than can be said. */
  readonly early: Date;
  readonly late: Date | null;
}

/** Fewer points over fewer days say nothing of the future. */
const LEAST_POINTS = 3;
const LEAST_DAYS = 60;
/** Nobody looks further ahead, days. */
const FURTHEST_DAYS = 10 * 365;
const DAY_MS = 86_400_000;
/** Drawn again so often. */
const DRAWS = 400;
/** A middle absolute deviation as a standard deviation. */
const AS_DEVIATION = 1.4826;
/** Wear does not keep to a line and grows with age: mean and standard deviation of the logarithm of slopes to come over slopes seen. */
const STEEPER = 0.05;
const BENDS = 0.14;
/** The band's ends. */
const ENDS: readonly [number, number] = [0.1, 0.9];

/**
 * @param points Of one battery, or one path, in any order.
 * @param limit What it falls to.
 * @returns null where nothing can be said: too few points, too short a time, or it does not fall.
 */
export function projectFall(points: readonly DatedFigure[], limit: number): Projection | null {
  const ordered = [...points].sort((a, b) => a.at.localeCompare(b.at));
  const begun = Date.parse(ordered[0]?.at ?? '');
  const x = ordered.map(({ at }) => (Date.parse(at) - begun) / DAY_MS);
  const last = x.at(-1) ?? 0;
  if (ordered.length < LEAST_POINTS || last < LEAST_DAYS) return null;
  const y = ordered.map(({ value }) => value);
  const line = theilSen(x, y);
  if (!(line.slope < 0)) return null;
  const fitted = x.map((day) => line.intercept + line.slope * day);
  const scatter = AS_DEVIATION * mad(y.map((value, at) => value - fitted[at]!));
  const random = randomOf(ordered.length);
  const days = Array.from({ length: DRAWS }, () => {
    const drawn = fitted.map((value, at) => value + random.normal(0, Math.max(scatter, ordered[at]!.spread)));
    const again = theilSen(x, drawn);
    const slope = again.slope * Math.exp(random.normal(STEEPER, BENDS));
    const here = again.intercept + again.slope * last;
    return slope < 0 ? last + Math.max(0, (here - limit) / -slope) : Infinity;
  });
  // some never come: they stand at the end
  days.sort((a, b) => a - b);
  const [early, late] = ENDS.map((share) => days[Math.round(share * (DRAWS - 1))]!) as [number, number];
  const dateOf = (day: number): Date => new Date(begun + day * DAY_MS);
  if (early > last + FURTHEST_DAYS) return null;
  return { early: dateOf(early), late: late > last + FURTHEST_DAYS ? null : dateOf(late) };
}
