/** A level of the profile, in its unit square; null where it was not read. */
export interface Level {
  readonly x: number;
  readonly y: number | null;
}

/** The levels that the line joins, in their order: one that was not read leaves a gap. */
export function joinedLevels(
  levels: readonly Level[],
): readonly (readonly { readonly x: number; readonly y: number }[])[] {
  const lines: { x: number; y: number }[][] = [];
  let isOpen = false;
  for (const { x, y } of levels) {
    if (y === null) isOpen = false;
    else if (isOpen) lines.at(-1)!.push({ x, y });
    else {
      lines.push([{ x, y }]);
      isOpen = true;
    }
  }
  return lines;
}
