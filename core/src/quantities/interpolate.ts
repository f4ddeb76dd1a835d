/** Points of a piecewise linear table, ordered by rising `x`. */
export type Points = readonly (readonly [x: number, y: number])[];

/**
 * Reads a table at `x`, linear between its points and held flat beyond its ends.
 *
 * @param points Ordered by rising x; at least one.
 * @param x In the unit of the table's first column.
 * @returns In the unit of its second.
 * @throws RangeError for an empty table.
 */
export function interpolate(points: Points, x: number): number {
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last) throw new RangeError('interpolate: a table needs at least one point, got none');
  if (x <= first[0]) return first[1];
  for (let i = 1; i < points.length; i++) {
    const to = points[i]!;
    if (x > to[0]) continue;
    const from = points[i - 1]!;
    return from[1] + ((to[1] - from[1]) * (x - from[0])) / (to[0] - from[0]);
  }
  return last[1];
}
