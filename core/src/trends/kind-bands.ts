/** What vehicles of one kind usually show: the band that holds four of five of them, for each series. */
import { quantileSorted } from 'simple-statistics';
import type { Measure } from './measures';
import { SERIES_NAMES } from './series';
import type { SeriesName } from './series';

export interface KindBand {
  readonly series: SeriesName;
  readonly low: number;
  readonly high: number;
  /** Vehicles that it was made of. */
  readonly vehicles: number;
}

/** Of fewer vehicles nothing is said. */
const MIN_VEHICLES = 5;
const LOW = 0.1;
const HIGH = 0.9;

/** @param newest The newest measures of each vehicle. */
export const kindBands = (newest: readonly (readonly Measure[])[]): readonly KindBand[] =>
  SERIES_NAMES.flatMap((series) => {
    const values = newest
      .flatMap((measures) => measures.find((measure) => measure.series === series)?.value ?? [])
      .sort((a, b) => a - b);
    if (values.length < MIN_VEHICLES) return [];
    const low = quantileSorted(values, LOW);
    return [{ series, low, high: quantileSorted(values, HIGH), vehicles: values.length }];
  });
