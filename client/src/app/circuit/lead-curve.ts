/** A lead as a slack curve from the meter to its point. */
export function lead([fromX, fromY]: readonly [number, number], [toX, toY]: readonly [number, number]): string {
  const slack = toY < fromY ? Math.min(36, Math.abs(toX - fromX) / 3) : 14;
  return `M${fromX} ${fromY}C${fromX} ${fromY - 28} ${toX - slack} ${toY + 36} ${toX} ${toY}`;
}
