/**
 * One line of a text file, as bytes, becomes one row of figures. Nearly all lines hold nothing but plain
 * figures and take the fast way; the careful way gives the same row for those (a property test compares it
 * with a plain reader) and knows quotes, signs, exponents, clocks and empty cells.
 */
import { QUOTE, LINE_FEED, RETURN, SPACE, TAB, cellCount, cellEnd, cellNumber, cellText, isBlank } from './cells';
import { pastMidnight, timeSeconds } from './clock';
import type { TextDialect } from './dialect';

const PLUS = 43;
const MINUS = 45;
const ZERO = 48;
const NINE = 57;
/** `e` and `E`, told apart by one bit. */
const EXPONENT = 101;
const LOWER_CASE = 32;
/** Digits that a double holds exactly; longer figures are read by the language's own reader. */
const EXACT_DIGITS = 15;
const POWERS_OF_TEN = Float64Array.from({ length: 23 }, (_, power) => Number(`1e${power}`));

const LEFT_OUT = 0;
const CHANNEL = 1;
const TIME = 2;
const CLOCK = 3;
const KINDS = { 'left-out': LEFT_OUT, channel: CHANNEL, time: TIME, clock: CLOCK } as const;

/** What is wrong with a line; the line's number is known to who reads the lines. */
export type RowFault =
  | {
      readonly code: 'not-a-number' | 'not-a-time';
      readonly column: number;
      readonly name: string;
      readonly found: string;
    }
  | { readonly code: 'columns'; readonly found: number; readonly wanted: number };

export class RowReader {
  /** The figures of the row read last, one a column; what is left out stays as it was. */
  readonly row: Float64Array;
  readonly #kinds: Uint8Array;
  readonly #delimiter: number;
  readonly #decimal: number;

  constructor(private readonly dialect: TextDialect) {
    this.#kinds = Uint8Array.from(dialect.columns, ({ kind }) => KINDS[kind]);
    this.#delimiter = dialect.delimiter.charCodeAt(0);
    this.#decimal = dialect.decimal.charCodeAt(0);
    this.row = new Float64Array(dialect.columns.length);
  }

  /**
   * A line of nothing but plain figures, which nearly all are: the line feed at its end stops every loop.
   *
   * @returns Where the next line begins; 0 where the line is not that plain and is read with care instead.
   */
  readPlain(bytes: Uint8Array, from: number): number {
    const kinds = this.#kinds;
    const row = this.row;
    const delimiter = this.#delimiter;
    const decimal = this.#decimal;
    const last = kinds.length - 1;
    let at = from;
    for (let column = 0; column <= last; column++) {
      const kind = kinds[column]!;
      let byte = bytes[at]!;
      if (kind === CLOCK) return 0;
      if (kind === LEFT_OUT) {
        while (byte !== delimiter && byte !== LINE_FEED && byte !== QUOTE) byte = bytes[++at]!;
      } else {
        const isNegative = byte === MINUS;
        if (isNegative) byte = bytes[++at]!;
        const digitsFrom = at;
        let figure = 0;
        while (byte >= ZERO && byte <= NINE) {
          figure = figure * 10 + (byte - ZERO);
          byte = bytes[++at]!;
        }
        let digits = at - digitsFrom;
        if (byte === decimal) {
          byte = bytes[++at]!;
          const decimalsFrom = at;
          while (byte >= ZERO && byte <= NINE) {
            figure = figure * 10 + (byte - ZERO);
            byte = bytes[++at]!;
          }
          const decimals = at - decimalsFrom;
          digits += decimals;
          if (digits > EXACT_DIGITS) return 0;
          figure /= POWERS_OF_TEN[decimals]!;
        }
        if (digits === 0 || digits > EXACT_DIGITS) return 0;
        row[column] = isNegative ? -figure : figure;
      }
      if (column < last) {
        if (byte !== delimiter) return 0;
        at++;
      } else {
        if (byte === RETURN) byte = bytes[++at]!;
        if (byte !== LINE_FEED) return 0;
      }
    }
    return at + 1;
  }

  /**
   * @param lastTime Time of the row before, s: a clock below it has passed midnight.
   * @returns `blank` where nothing stands in the line.
   */
  readWithCare(bytes: Uint8Array, from: number, to: number, lastTime: number): 'read' | 'blank' | RowFault {
    const kinds = this.#kinds;
    const row = this.row;
    const delimiter = this.#delimiter;
    const decimal = this.#decimal;
    const width = kinds.length;
    let at = from;
    for (let column = 0; column < width; column++) {
      if (at > to)
        return isBlank(bytes, from, to, delimiter) ? 'blank' : { code: 'columns', found: column, wanted: width };
      const kind = kinds[column];
      if (kind === LEFT_OUT || kind === CLOCK) {
        const end = cellEnd(bytes, at, to, delimiter);
        if (kind === CLOCK) {
          const seconds = timeSeconds(cellText(bytes, at, end));
          if (Number.isNaN(seconds)) return this.#fault('not-a-time', column, cellText(bytes, at, end));
          row[column] = pastMidnight(seconds, lastTime);
        }
        at = end + 1;
        continue;
      }
      let byte = bytes[at]!;
      const cellFrom = at;
      while (at < to && (byte === SPACE || byte === QUOTE || (byte === TAB && delimiter !== TAB))) byte = bytes[++at]!;
      let isNegative = false;
      if (at < to && (byte === MINUS || byte === PLUS)) {
        isNegative = byte === MINUS;
        byte = bytes[++at]!;
      }
      const digitsFrom = at;
      let figure = 0;
      while (at < to && byte >= ZERO && byte <= NINE) {
        figure = figure * 10 + (byte - ZERO);
        byte = bytes[++at]!;
      }
      let digits = at - digitsFrom;
      let decimals = 0;
      if (at < to && byte === decimal) {
        byte = bytes[++at]!;
        const decimalsFrom = at;
        while (at < to && byte >= ZERO && byte <= NINE) {
          figure = figure * 10 + (byte - ZERO);
          byte = bytes[++at]!;
        }
        decimals = at - decimalsFrom;
        digits += decimals;
      }
      const isPlain = digits > 0 && digits <= EXACT_DIGITS && (at >= to || (byte | LOWER_CASE) !== EXPONENT);
      if (isPlain) {
        if (decimals > 0) figure /= POWERS_OF_TEN[decimals]!;
        row[column] = isNegative ? -figure : figure;
        while (at < to && (byte === SPACE || byte === QUOTE)) byte = bytes[++at]!;
        if (at < to && byte !== delimiter) {
          const found = cellText(bytes, cellFrom, cellEnd(bytes, cellFrom, to, delimiter));
          return this.#fault('not-a-number', column, found);
        }
      } else {
        const end = cellEnd(bytes, cellFrom, to, delimiter);
        const text = cellText(bytes, cellFrom, end);
        const value = text === '' ? NaN : cellNumber(text, this.dialect.decimal);
        if (text !== '' && Number.isNaN(value)) return this.#fault('not-a-number', column, text);
        if (text === '' && kind === TIME) {
          if (isBlank(bytes, from, to, delimiter)) return 'blank';
          return this.#fault('not-a-time', column, 'nothing');
        }
        row[column] = value;
        at = end;
      }
      at++;
    }
    if (at <= to && !isBlank(bytes, at, to, delimiter))
      return { code: 'columns', found: cellCount(bytes, from, to, delimiter), wanted: width };
    return 'read';
  }

  #fault(code: 'not-a-number' | 'not-a-time', column: number, found: string): RowFault {
    return { code, column: column + 1, name: this.dialect.columns[column]!.name, found: found.slice(0, 40) };
  }
}
