/**
 * Rows of a table brought to one shape: each has the fields of all, those it lacks undefined.
 *
 * The judge reads fields of these rows some thousands of times a case. Engines find a field at once where all
 * objects at a place have one shape, and search for it where there are forty.
 *
 * @param rows The table; not changed.
 */
export function normalizeRecordShape<Name extends string, Row extends object>(
  rows: Readonly<Record<Name, Row>>,
): Readonly<Record<Name, Row>> {
  const every = Object.fromEntries(
    Object.values<Row>(rows).flatMap((row) => Object.keys(row).map((field) => [field, undefined])),
  );
  return Object.fromEntries(Object.entries<Row>(rows).map(([name, row]) => [name, { ...every, ...row }])) as Readonly<
    Record<Name, Row>
  >;
}
