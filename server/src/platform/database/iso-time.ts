/** A time as the clients read it, in JSON made by the database. @param column An expression of type timestamptz. */
export const isoTime = (column: string): string =>
  `to_char(${column} AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;
