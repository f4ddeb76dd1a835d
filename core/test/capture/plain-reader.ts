/** The plain, slow way to read a table of figures: papaparse makes strings, JavaScript makes numbers of them. */
import papaparse from 'papaparse';

export interface PlainTable {
  readonly names: readonly string[];
  readonly columns: readonly (readonly number[])[];
}

/** @param headRows Rows before the figures; the first of them holds the names. */
export function readPlainly(text: string, delimiter: string, decimal: string, headRows: number): PlainTable {
  const { data } = papaparse.parse<string[]>(text.replace(/^\uFEFF/, ''), { delimiter, skipEmptyLines: true });
  const rows = data.slice(headRows);
  const width = rows[0]!.length;
  return {
    names: data[0]!,
    columns: Array.from({ length: width }, (_, column) =>
      rows.map((row) => Number(row[column]!.trim().replace(decimal, '.'))),
    ),
  };
}
