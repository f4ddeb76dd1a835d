/** Where in a text file the table of figures stands, and how its cells are parted: the guess that explains most rows. */
import { timeSeconds } from './clock';

/** Rows that are looked at to tell one dialect from another. */
const ROWS_LOOKED_AT = 25;
/** Lines that may stand above the rows. */
const MAX_NOTES = 400;
const DELIMITERS = ['\t', ';', ','] as const;
const NUMBER = { '.': /^[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?$/i, ',': /^[-+]?(?:\d+,?\d*|,\d+)(?:e[-+]?\d+)?$/i };

/** A line's cells: outside quotes parted at the separator, without quotes and blanks. */
export function cellsOf(line: string, delimiter: string): string[] {
  const cells: string[] = [];
  let from = 0;
  let quoted = false;
  for (let i = 0; i <= line.length; i++) {
    if (line[i] === '"') quoted = !quoted;
    if (i === line.length || (line[i] === delimiter && !quoted)) {
      cells.push(line.slice(from, i).trim().replace(/^"|"$/g, '').trim());
      from = i + 1;
    }
  }
  return cells;
}

export interface TableGuess {
  readonly delimiter: string;
  readonly decimal: '.' | ',';
  readonly firstRow: number;
  readonly rows: readonly (readonly string[])[];
  readonly width: number;
}

/** Without the empty cells at the end. */
export const withoutTail = (cells: readonly string[]): readonly string[] => {
  let end = cells.length;
  while (end > 1 && cells[end - 1] === '') end--;
  return cells.slice(0, end);
};

/** A day, as some recorders write it in a column of its own. */
export const DAY = /^(?:\d{4}-\d{1,2}-\d{1,2}|\d{1,2}[./]\d{1,2}[./]\d{2,4})$/;
/** True for a cell that is a time of day or a time of recording. */
export const isTime = (cell: string): boolean => !Number.isNaN(timeSeconds(cell));

/** A row of figures: every cell a number, a time, a day or empty, and one at least a number or a time. */
const isRow = (cells: readonly string[], number: RegExp): boolean =>
  cells.some((cell) => number.test(cell) || isTime(cell)) &&
  cells.every((cell) => cell === '' || number.test(cell) || isTime(cell) || DAY.test(cell));

function guess(lines: readonly string[], delimiter: string, decimal: '.' | ','): TableGuess | null {
  if (delimiter === ',' && decimal === ',' && !lines.some((line) => line.includes('"'))) return null;
  const number = NUMBER[decimal];
  for (let first = 0; first < Math.min(lines.length, MAX_NOTES); first++) {
    const rows: string[][] = [];
    for (let at = first; at < lines.length && rows.length < ROWS_LOOKED_AT; at++) {
      if (lines[at]!.trim() === '') continue;
      const cells = cellsOf(lines[at]!, delimiter);
      if (!isRow(cells, number)) break;
      rows.push(cells);
    }
    // a single odd row within the notes is not yet the table
    if (rows.length >= Math.min(3, lines.length - first) && rows.length > 0) {
      const width = Math.max(...rows.map((cells) => withoutTail(cells).length));
      return { delimiter, decimal, firstRow: first, rows, width };
    }
  }
  return null;
}

/** How well a guess explains the lines: rows of several cells beat one cell, real fractions beat whole numbers. */
function worth({ rows, width, delimiter, decimal }: TableGuess): number {
  const even = rows.filter((cells) => withoutTail(cells).length === width).length / rows.length;
  const fractions = rows.some((cells) => cells.some((cell) => cell.includes(decimal)));
  return (width > 1 ? 4 : 0) + even + (fractions ? 0.5 : 0) + (delimiter === ',' ? 0 : 0.1) + Math.min(rows.length, 5);
}

/** @returns The best guess; none where no line is a row of figures. */
export function guessTable(lines: readonly string[]): TableGuess | undefined {
  return DELIMITERS.flatMap((delimiter) => (['.', ','] as const).map((decimal) => guess(lines, delimiter, decimal)))
    .filter((found) => found !== null)
    .sort((a, b) => worth(b) - worth(a))[0];
}
