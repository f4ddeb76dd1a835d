import { median } from 'simple-statistics';

export interface Line {
  /** Of the figure for each unit of `x`. */
  readonly slope: number;
  readonly intercept: number;
}

/**
 * The line of Theil and Sen: its slope is the median of the slopes between every two points, so that single readings that are
 * wrong hardly move it.
 *
 * @param x As many as `y`, at least two of them different.
 */
export function theilSen(x: readonly number[], y: readonly number[]): Line {
  const slopes: number[] = [];
  for (let i = 0; i < x.length; i++)
    for (let j = i + 1; j < x.length; j++) if (x[i] !== x[j]) slopes.push((y[j]! - y[i]!) / (x[j]! - x[i]!));
  const slope = median(slopes);
  return { slope, intercept: median(x.map((at, place) => y[place]! - slope * at)) };
}
