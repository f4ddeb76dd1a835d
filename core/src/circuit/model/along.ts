/** The value so far along a range. @param severity 0 (its first end) to 1. */
export const along = ([from, to]: readonly [number, number], severity: number): number => from + (to - from) * severity;
