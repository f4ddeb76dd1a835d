/** Pages by the key where the one before ended: a page costs the same wherever it lies. */

/** What a row's place is told by: microseconds of its time, a point, its id. */
export const cursorOf = (time: string, id: string): string =>
  `(extract(epoch FROM ${time}) * 1000000)::bigint || '.' || ${id}`;

/** The time and id of a place, as a row of SQL. @param value Names a value of the statement. */
export function placeOf(after: string, value: (given: unknown) => string): string {
  const [micros, id] = after.split('.') as [string, string];
  return `(timestamptz 'epoch' + ${value(micros)}::bigint * interval '1 microsecond', ${value(id)}::uuid)`;
}

export interface Page<Row> {
  readonly rows: readonly Row[];
  /** Where the next page begins; null where this was the last. */
  readonly next: string | null;
}

/** Of one row more than a page has, the page. */
export function pageOf<Row extends { readonly cursor: string }>(rows: readonly Row[], limit: number): Page<Row> {
  const page = rows.slice(0, limit);
  return { rows: page, next: rows.length > limit ? page.at(-1)!.cursor : null };
}
