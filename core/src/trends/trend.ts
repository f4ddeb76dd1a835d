/** The visits of one vehicle put in a row: every series over time, and which battery was in it when. */
import type { BatteryLabel, System } from '../format/case-shape';
import type { Measure, VisitMeasures } from './measures';
import { SERIES, SERIES_NAMES } from './series';
import type { SeriesName } from './series';

/** One visit as a trend sees it. */
export interface TrendVisit {
  readonly job: string;
  /** When it was opened. */
  readonly at: string;
  readonly system: System;
  readonly measures: VisitMeasures;
  /** A battery was fitted in it. */
  readonly hasNewBattery: boolean;
  /** Who signed it off; null while nobody has. */
  readonly by: string | null;
}

export interface TrendPoint {
  readonly job: string;
  readonly at: string;
  readonly value: number;
  readonly spread: number;
  /** Where it matters, °C. */
  readonly celsius?: number;
}
/** A series; of a battery in pieces, one for each battery. */
export interface Trend {
  readonly series: SeriesName;
  readonly segments: readonly (readonly TrendPoint[])[];
}
/** A battery as it stood in the vehicle. */
export interface FittedBattery {
  readonly label: BatteryLabel;
  /** The visit from which on it is known. */
  readonly job: string;
  readonly at: string;
  /** Fitted in that visit; seen on its label then; or it was there at the first. */
  readonly how: 'fitted' | 'label' | 'first';
  readonly by: string | null;
}

export interface VehicleTrends {
  readonly trends: readonly Trend[];
  readonly batteries: readonly FittedBattery[];
}

/** @param visits In any order; those without a counted figure are passed over. */
export function trendsOf(visits: readonly TrendVisit[]): VehicleTrends {
  const ordered = [...visits].sort((a, b) => a.at.localeCompare(b.at));
  const batteries: FittedBattery[] = [];
  const points: { readonly battery: number; readonly measure: Measure; readonly visit: TrendVisit }[] = [];
  const add = (measures: readonly Measure[], visit: TrendVisit): void => {
    for (const measure of measures) points.push({ battery: batteries.length, measure, visit });
  };
  for (const visit of ordered) {
    const { job, at, by, hasNewBattery, system, measures } = visit;
    const last = batteries.at(-1);
    if (!last) batteries.push({ label: system.battery, job, at, how: 'first', by: null });
    // the label of a visit that ends with a new battery may be either's
    else if (!hasNewBattery && !isSameBattery(last.label, system.battery))
      batteries.push({ label: system.battery, job, at, how: 'label', by: null });
    add(measures.before, visit);
    if (hasNewBattery) batteries.push({ label: system.battery, job, at, how: 'fitted', by });
    if (measures.after) add(measures.after, visit);
  }
  const trends = SERIES_NAMES.map((series): Trend => {
    const own = points.filter(({ measure }) => measure.series === series);
    const pointOf = ({ measure, visit: { job, at } }: (typeof own)[number]): TrendPoint => {
      const { series: _series, ...figures } = measure;
      return { job, at, ...figures };
    };
    if (!SERIES[series].isOfBattery) return { series, segments: own.length > 0 ? [own.map(pointOf)] : [] };
    const which = [...new Set(own.map(({ battery }) => battery))];
    return {
      series,
      segments: which.map((battery) => own.filter((point) => point.battery === battery).map(pointOf)),
    };
  });
  return { trends: trends.filter(({ segments }) => segments.length > 0), batteries };
}

/** Whether two labels can be of one battery: nothing that both tell differs. */
export function isSameBattery(a: BatteryLabel, b: BatteryLabel): boolean {
  const differs = (one: unknown, other: unknown): boolean => one !== undefined && other !== undefined && one !== other;
  return !(
    differs(a.rating?.value, b.rating?.value) ||
    differs(a.rating?.standard, b.rating?.standard) ||
    differs(a.capacityAh, b.capacityAh) ||
    differs(a.chemistry, b.chemistry)
  );
}
