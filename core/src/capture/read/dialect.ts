/** Finds out how a text file is written, from its first lines: separator, decimal sign, names, units, time. */
import type { ChannelUnit } from '../recording';
import { CaptureError } from './capture-fault';
import { columnName, isIndexName, isTimeName, unitOf } from './column-names';
import type { ColumnUnit } from './column-names';
import { readNotes } from './notes';
import { DAY, cellsOf, guessTable, isTime, withoutTail } from './table-guess';
import type { TableGuess } from './table-guess';

export type ColumnKind = 'time' | 'clock' | 'channel' | 'left-out';

export interface TextColumn {
  readonly kind: ColumnKind;
  readonly name: string;
  /** Of a channel; `''` where it is not told. */
  readonly unit: ChannelUnit;
  /** Of a channel: to the base unit. Of a time: to seconds; null where the unit is not told. */
  readonly factor: number | null;
}

export interface TextDialect {
  readonly delimiter: string;
  readonly decimal: string;
  readonly columns: readonly TextColumn[];
  /** The first row of figures, from 0. */
  readonly firstRow: number;
  /** From the notes; null where a column tells time. */
  readonly intervalS: number | null;
  readonly clampMillivoltsPerAmp: number | null;
}

/** A unit's symbol is no longer than this: mV, µs, sec. */
const MAX_SYMBOL = 3;
/** A unit in brackets, or a symbol; `seconds` and `volts` are names. */
const isUnitRow = (cells: readonly string[]): boolean => {
  const filled = cells.filter((cell) => cell !== '');
  const isUnit = (cell: string): boolean =>
    /^[([][^)\]]*[)\]]$/.test(cell) || (cell.length <= MAX_SYMBOL && unitOf(cell) !== null);
  return filled.length > 0 && filled.every(isUnit);
};

interface Named {
  readonly names: readonly string[];
  readonly units: readonly (ColumnUnit | null)[];
  readonly notesEnd: number;
}

/** The row of names and the row of units above the figures, where they stand. */
function namesAbove(lines: readonly string[], { firstRow, delimiter, width }: TableGuess): Named {
  const none: Named = { names: [], units: [], notesEnd: firstRow };
  let at = firstRow - 1;
  const above = (): readonly string[] | null => {
    while (at >= 0 && lines[at]!.trim() === '') at--;
    if (at < 0) return null;
    const cells = withoutTail(cellsOf(lines[at]!.replace(/^#\s*/, ''), delimiter));
    return cells.length >= Math.min(2, width) && cells.length <= width + 1 ? cells : null;
  };
  let cells = above();
  if (!cells) return none;
  let units: (ColumnUnit | null)[] = [];
  if (isUnitRow(cells)) {
    units = cells.map(unitOf);
    const unitsAt = at--;
    const names = above();
    // a row of symbols with no names above it is both
    if (!names) return { names: cells.every((cell) => /^\w/.test(cell)) ? cells : [], units, notesEnd: unitsAt };
    cells = names;
  }
  const isNote = width > 1 && cells.length === 2 && width > 2 && /:$|=/.test(cells[0]!);
  return isNote ? { ...none, units } : { names: cells, units, notesEnd: at };
}

/** Figures that only grow, by steps much alike, may be a time. */
function grows(rows: readonly (readonly string[])[], column: number, decimal: string): boolean {
  const values = rows.map((cells) => Number((cells[column] ?? '').replace(decimal, '.')));
  return values.length > 2 && values.every((value, at) => at === 0 || value > values[at - 1]!);
}

/**
 * @param lines The first lines of the file, whole ones only.
 * @throws CaptureError where they hold no table of figures, or no time.
 */
export function findDialect(lines: readonly string[]): TextDialect {
  const best = guessTable(lines);
  if (!best) throw new CaptureError({ code: 'no-rows', line: Math.min(lines.length, firstTextLine(lines)) });
  const { rows, width, decimal, delimiter, firstRow } = best;
  const { names, units, notesEnd } = namesAbove(lines, best);
  if (names.length > 0 && names.length !== width && names.length !== rows[0]!.length)
    throw new CaptureError({ code: 'columns', line: firstRow + 1, found: width, wanted: names.length });
  const notes = readNotes(lines.slice(0, notesEnd));
  const told = Array.from({ length: Math.max(width, names.length) }, (_, column) => {
    const { name, unit } = columnName(names[column] ?? '');
    return { name: name || `column ${column + 1}`, isNamed: names.length > 0, unit: units[column] ?? unit };
  });
  const timeColumn = findTime(told, best, notes.intervalS !== null);
  if (told.length === 1 && (timeColumn === 0 || notes.intervalS === null))
    throw new CaptureError({ code: 'one-column', line: firstRow + 1 });
  if (timeColumn === null && notes.intervalS === null) throw new CaptureError({ code: 'no-time', line: firstRow + 1 });
  const columns = told.map(({ name, unit }, column): TextColumn => {
    if (column === timeColumn) {
      const isClock = rows.every((cells) => isTime(cells[column] ?? ''));
      return {
        kind: isClock ? 'clock' : 'time',
        name,
        unit: '',
        factor: isClock ? 1 : unit?.quantity === 'time' ? unit.factor : null,
      };
    }
    if (
      isIndexName(name) ||
      isTimeName(name) ||
      rows.some((cells) => isTime(cells[column] ?? '') || DAY.test(cells[column] ?? ''))
    )
      return { kind: 'left-out', name, unit: '', factor: null };
    const known = unit && unit.quantity !== 'time' ? unit : null;
    return { kind: 'channel', name, unit: (known?.quantity as ChannelUnit) ?? '', factor: known?.factor ?? 1 };
  });
  return {
    delimiter,
    decimal,
    columns,
    firstRow,
    intervalS: timeColumn === null ? notes.intervalS : null,
    clampMillivoltsPerAmp: notes.clampMillivoltsPerAmp,
  };
}

interface ToldColumn {
  readonly name: string;
  readonly isNamed: boolean;
  readonly unit: ColumnUnit | null;
}

/** The column that tells time: by its cells, its unit, its name, and last by its figures that only grow. */
function findTime(told: readonly ToldColumn[], { rows, decimal }: TableGuess, hasInterval: boolean): number | null {
  const first = (matches: (column: number) => boolean): number | null => {
    const at = told.findIndex((_, column) => matches(column));
    return at < 0 ? null : at;
  };
  return (
    first((column) => rows.every((cells) => isTime(cells[column] ?? ''))) ??
    first((column) => told[column]!.unit?.quantity === 'time') ??
    first((column) => told[column]!.isNamed && isTimeName(told[column]!.name)) ??
    (hasInterval
      ? null
      : first((column) => !isIndexName(told[column]!.name) && column === 0 && grows(rows, column, decimal)))
  );
}

const firstTextLine = (lines: readonly string[]): number =>
  Math.max(1, lines.findIndex((line) => line.trim() !== '') + 1);
