/** Points of a piecewise linear table, ordered by rising `x`. */
export type Points = readonly (readonly [x: number, y: number])[];

/**
 * Reads a table at `x`, linear between its points and held flat beyond its ends.
 *
 * @throws RangeError for an empty table
 */
export function interpolate(points: Points, x: number): number {
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last) throw new RangeError('interpolate: a table needs at least one point, got none');
  if (x <= first[0]) return first[1];
  for (let i = 1; i < points.length; i++) {
    const [x1, y1] = points[i]!;
    const [x0, y0] = points[i - 1]!;
    if (x <= x1) return y0 + ((y1 - y0) * (x - x0)) / (x1 - x0);
  }
  return last[1];
}
