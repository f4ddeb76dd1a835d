/** Cells of a line of bytes: where one ends, what it says, whether anything stands in it. */
export const LINE_FEED = 10;
export const RETURN = 13;
export const TAB = 9;
export const SPACE = 32;
export const QUOTE = 34;

const decoder = new TextDecoder();

/**
 * @param from Where the cell begins, a byte.
 * @param to One past the last byte of the line.
 * @param delimiter The delimiter's byte.
 * @returns Where the cell that begins at `from` ends: a delimiter outside quotes, or the line's end `to`.
 */
export function cellEnd(bytes: Uint8Array, from: number, to: number, delimiter: number): number {
  let isQuoted = false;
  for (let at = from; at < to; at++) {
    if (bytes[at] === QUOTE) isQuoted = !isQuoted;
    else if (bytes[at] === delimiter && !isQuoted) return at;
  }
  return to;
}

/**
 * The cell's text without its quotes and the blanks around it.
 *
 * @param from The first byte.
 * @param to One past the last byte.
 */
export const cellText = (bytes: Uint8Array, from: number, to: number): string =>
  decoder.decode(bytes.subarray(from, to)).trim().replace(/^"|"$/g, '').trim();

/** The largest magnitude that a sample holds: that of a 32-bit float, which samples are kept as. */
const LARGEST = 3.4e38;

/** @returns The figure of a cell with an exponent or many digits; NaN where it is none, or more than a sample holds. */
export function cellNumber(text: string, decimal: string): number {
  const plain = decimal === ',' ? text.replace(',', '.') : text;
  if (!/^[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?$/i.test(plain)) return NaN;
  const figure = Number(plain);
  return Math.abs(figure) <= LARGEST ? figure : NaN;
}

/**
 * Whether nothing stands between `from` and `to` but blanks, quotes and delimiters.
 *
 * @param from The first byte.
 * @param to One past the last byte.
 * @param delimiter The delimiter's byte.
 */
export function isBlank(bytes: Uint8Array, from: number, to: number, delimiter: number): boolean {
  for (let at = from; at < to; at++)
    if (bytes[at] !== SPACE && bytes[at] !== delimiter && bytes[at] !== TAB && bytes[at] !== QUOTE) return false;
  return true;
}

/**
 * How many cells the line has, quoted delimiters counted too.
 *
 * @param from The first byte of the line.
 * @param to One past its last byte.
 * @param delimiter The delimiter's byte.
 */
export function cellCount(bytes: Uint8Array, from: number, to: number, delimiter: number): number {
  let count = 1;
  for (let at = from; at < to; at++) if (bytes[at] === delimiter) count++;
  return count;
}
