import type { VehicleRow } from '@tetrad/core';
import { parse } from 'papaparse';
import { isoDate } from './date-style';
import type { DateStyle } from './date-style';

/** A table as it was brought in: its columns, and each row by column. */
export interface BroughtTable {
  readonly columns: readonly string[];
  readonly rows: readonly Readonly<Record<string, string>>[];
}
export const IMPORT_FIELDS = ['name', 'plate', 'vin', 'year', 'group', 'batteryFittedOn'] as const;
export type ImportField = (typeof IMPORT_FIELDS)[number];
export type Mapping = Readonly<Record<ImportField, string | null>>;

/** Words that a column is usually called by. */
const USUAL: Readonly<Record<ImportField, RegExp>> = {
  name: /^(name|vehicle|description|model|fleet (no|number))/i,
  plate: /plate|registration|licen[cs]e|^reg\b/i,
  vin: /vin|chassis/i,
  year: /year/i,
  group: /group|fleet|route|depot|department/i,
  batteryFittedOn: /battery.*(fitted|date|since|installed)|fitted/i,
};

/** Reads CSV (with its separator as it is found) or a JSON list of objects. @returns why it is neither. */
export function readTable(text: string, fileName: string): BroughtTable | string {
  if (/\.json$/i.test(fileName)) return readJson(text);
  const { data, meta, errors } = parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim(),
  });
  const crowded = errors.find(({ code }) => code === 'TooManyFields');
  if (crowded)
    return `Row ${(crowded.row ?? 0) + 1} has more fields than the first line names: a text with a separator stands in quotes.`;
  const columns = (meta.fields ?? []).filter(Boolean);
  return columns.length === 0 || data.length === 0
    ? 'It has no rows: the first line names the columns, each further line is a vehicle.'
    : { columns, rows: data };
}

function readJson(text: string): BroughtTable | string {
  let found: unknown;
  try {
    found = JSON.parse(text);
  } catch {
    return 'It is not JSON.';
  }
  if (!Array.isArray(found) || found.length === 0) return 'It is not a list of vehicles.';
  const rows = found.map((one: unknown) =>
    Object.fromEntries(Object.entries(Object(one) as object).map(([key, value]) => [key, cell(value)])),
  );
  return { columns: [...new Set(rows.flatMap((row) => Object.keys(row)))], rows };
}
const cell = (value: unknown): string =>
  typeof value === 'string' ? value : typeof value === 'number' ? String(value) : '';

/** Which column is which, as far as their names tell. */
export function guessMapping({ columns }: BroughtTable): Mapping {
  const taken = new Set<string>();
  const guessed = IMPORT_FIELDS.map((field): [ImportField, string | null] => {
    const found = columns.find((column) => !taken.has(column) && USUAL[field].test(column)) ?? null;
    if (found !== null) taken.add(found);
    return [field, found];
  });
  return Object.fromEntries(guessed) as Record<ImportField, string | null>;
}

/** What stands in a column that is mapped; empty cells are left out. */
export const columnOf = ({ rows }: BroughtTable, column: string | null): readonly string[] =>
  column === null ? [] : rows.map((row) => (row[column] ?? '').trim()).filter(Boolean);

/**
 * The rows as they are sent: what is no year or date stays what it is, and is refused by its row.
 *
 * @param dates How dates are written in this table; null where it has none, or nobody knows.
 */
export function mappedRows({ rows }: BroughtTable, mapping: Mapping, dates: DateStyle | null): readonly VehicleRow[] {
  return rows.map((row) => {
    const of = (field: ImportField): string => (mapping[field] === null ? '' : (row[mapping[field]] ?? '').trim());
    const [plate, vin, year, group, fitted] = [of('plate'), of('vin'), of('year'), of('group'), of('batteryFittedOn')];
    return {
      name: of('name') || plate,
      ...(plate && { plate }),
      ...(vin && { vin }),
      ...(year && { year: /^\d{4}$/.test(year) ? Number(year) : (year as unknown as number) }),
      ...(group && { group }),
      ...(fitted && { batteryFittedOn: (dates && isoDate(fitted, dates)) ?? fitted }),
    };
  });
}
