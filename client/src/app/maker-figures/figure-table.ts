/** Makers' figures as a table: out, and in again row by row. */
import type { MakerFiguresView, MakerFigures } from '@tetrad/contracts';
import { CHEMISTRIES, NOMINAL_VOLTS, RATING_STANDARDS } from '@tetrad/core';
import { parse } from 'papaparse';
import { figureOf } from '../kit/forms/figure';
import { BLANK_DRAFT, draftOf, systemOf } from '../label/system-draft';
import type { SystemDraft } from '../label/typed-system';
import { SYSTEM_FIGURES } from '../label/system-rows';
import type { FigureField } from '../label/system-rows';

/** The columns, in the order of the file, and the field each one holds. */
const COLUMNS = {
  'system V': 'nominal',
  type: 'chemistry',
  'rating A': 'rating',
  standard: 'standard',
  'capacity Ah': 'capacity',
  batteries: 'arrangement',
  'how many': 'count',
  caps: 'caps',
  cylinders: 'cylinders',
  fuel: 'fuel',
  'displacement l': 'litres',
  'alternator A': 'alternator',
  regulation: 'regulation',
  'starter min A': 'drawMin',
  'starter max A': 'drawMax',
  'charging min V': 'chargeMin',
  'charging max V': 'chargeMax',
  'cranking min V': 'crankMin',
} as const satisfies Record<string, keyof SystemDraft>;
type ColumnName = keyof typeof COLUMNS;

/** What a column that holds a word may hold; an empty cell is not known. */
const WORDS: Readonly<Partial<Record<keyof SystemDraft, readonly string[]>>> = {
  nominal: NOMINAL_VOLTS.map(String),
  chemistry: CHEMISTRIES,
  standard: RATING_STANDARDS,
  arrangement: ['single', 'parallel', 'series'],
  caps: ['yes', 'no'],
  fuel: ['petrol', 'diesel'],
  regulation: ['fixed', 'commanded'],
};
const NAMES = Object.keys(COLUMNS) as readonly ColumnName[];

/** One row for each record; what nobody knows is empty. */
export const figureTable = (records: readonly MakerFiguresView[]): readonly object[] =>
  records.map(({ name, source, system }) => {
    const draft = draftOf(system);
    const isPack = draft.arrangement !== 'single';
    const cell = (column: ColumnName): string | number =>
      column === 'how many' && !isPack ? '' : draft[COLUMNS[column]];
    return { name, source, ...Object.fromEntries(NAMES.map((column) => [column, cell(column)])) };
  });

/** What is wrong with a cell. */
export interface CellProblem {
  /** The line of the file, from 2: the first names the columns. */
  readonly line: number;
  readonly column: string;
  readonly found: string;
  readonly allowed: string;
}
export type ReadFigures =
  | { readonly ok: true; readonly rows: readonly MakerFigures[] }
  | { readonly ok: false; readonly problems: readonly CellProblem[] };

/** Reads a table of CSV, with its separator as it is found. Columns that it does not know are refused by name. */
export function readFigures(text: string): ReadFigures {
  const { data, meta } = parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim(),
  });
  const columns = meta.fields ?? [];
  const known = ['name', 'source', ...NAMES];
  const strange = columns.filter((column) => !known.includes(column));
  if (!columns.includes('name') || data.length === 0)
    return refused({
      line: 1,
      column: 'name',
      found: columns.join(', '),
      allowed: 'a column "name" and at least one row',
    });
  if (strange.length > 0)
    return refused(...strange.map((found) => ({ line: 1, column: found, found, allowed: known.join(', ') })));
  const read = data.map((row, at) => readRow(row, at + 2));
  const problems = read.flatMap((one) => one.problems);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, rows: read.map(({ figures }) => figures) };
}

const refused = (...problems: readonly CellProblem[]): ReadFigures => ({ ok: false, problems });

function readRow(row: Readonly<Record<string, string>>, line: number) {
  const problems: CellProblem[] = [];
  const of = (column: string): string => (row[column] ?? '').trim();
  const draft: Record<string, unknown> = { ...BLANK_DRAFT };
  for (const column of NAMES) {
    const [field, cell] = [COLUMNS[column], of(column)];
    if (cell === '') continue;
    const words = WORDS[field];
    const word = words?.find((one) => one.toLowerCase() === cell.toLowerCase());
    const figure = words ? undefined : SYSTEM_FIGURES[field as FigureField];
    if (words ? word === undefined : figureOf(cell, figure!) === undefined)
      problems.push({ line, column, found: cell, allowed: words ? words.join(', ') : 'a figure of this unit' });
    draft[field] = field === 'nominal' ? Number(word) : (word ?? cell);
  }
  if (of('name') === '') problems.push({ line, column: 'name', found: 'nothing', allowed: 'an engine or a model' });
  const figures = {
    name: of('name'),
    source: of('source'),
    system: problems.length > 0 ? systemOf(BLANK_DRAFT) : systemOf(draft as unknown as SystemDraft),
  };
  return { figures, problems };
}
