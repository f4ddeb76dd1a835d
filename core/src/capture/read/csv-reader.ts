/**
 * Reads text files in one pass over their bytes: the first lines tell the dialect, the rest is read without
 * making a string of it. A fault names line and column.
 */
import type { ChannelUnit, Gap, Recording } from '../recording';
import { CaptureError } from './capture-fault';
import type { CaptureReader } from './capture-reader';
import { pastMidnight, timeSeconds } from './clock';
import { findDialect } from './dialect';
import type { TextDialect } from './dialect';
import { evenTime } from './even-time';
import { fillGaps } from './fill-gaps';
import { joined } from './joined';
import { LEAST_SAMPLES, MOST_CHANNELS, MOST_SAMPLES } from './read-limits';
import { SampleStore } from './sample-store';
import { markLength, textEncodingOf } from './text-encoding';

/** Bytes that are looked at before the first row is read. */
const HEAD_BYTES = 1 << 16;
/** Lists of single empty cells longer than this are told as one stretch. */
const MOST_GAPS = 1000;

const LINE_FEED = 10;
const RETURN = 13;
const TAB = 9;
const SPACE = 32;
const QUOTE = 34;
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

export class CsvReader implements CaptureReader {
  #head: Uint8Array[] = [];
  #headBytes = 0;
  #table: Table | null = null;
  #decoder: TextDecoder | null = null;
  #rest: Uint8Array = new Uint8Array(0);

  push(chunk: Uint8Array): void {
    if (this.#table) return this.#read(this.#inUtf8(chunk));
    this.#head.push(chunk);
    this.#headBytes += chunk.length;
    if (this.#headBytes >= HEAD_BYTES) this.#begin(false);
  }

  finish(): Recording {
    if (!this.#table) this.#begin(true);
    this.#read(this.#decoder ? encoder.encode(this.#decoder.decode()) : new Uint8Array(0));
    return this.#table!.finish(this.#rest);
  }

  /** UTF-16 is brought to UTF-8; single-byte texts differ from it only where no figure stands. */
  #inUtf8(chunk: Uint8Array): Uint8Array {
    return this.#decoder ? encoder.encode(this.#decoder.decode(chunk, { stream: true })) : chunk;
  }

  #begin(isWhole: boolean): void {
    const raw = joined(this.#head);
    this.#head = [];
    if (raw.length === 0) throw new CaptureError({ code: 'empty' });
    const encoding = textEncodingOf(raw.subarray(0, HEAD_BYTES));
    if (encoding.startsWith('utf-16')) this.#decoder = new TextDecoder(encoding);
    const bytes = this.#inUtf8(raw).subarray(this.#decoder ? 0 : markLength(encoding, raw));
    const looked = bytes.subarray(0, HEAD_BYTES);
    const lineBytes = isWhole && bytes.length <= HEAD_BYTES ? looked.length : looked.lastIndexOf(LINE_FEED) + 1;
    if (lineBytes === 0) throw new CaptureError({ code: 'no-rows', line: 1 });
    const text = new TextDecoder(encoding === 'windows-1252' ? encoding : 'utf-8').decode(
      looked.subarray(0, lineBytes),
    );
    const dialect = findDialect(text.replace(/\n$/, '').split(/\r?\n/));
    let from = 0;
    for (let line = 0; line < dialect.firstRow; line++) from = bytes.indexOf(LINE_FEED, from) + 1;
    this.#table = new Table(dialect);
    this.#read(bytes.subarray(from));
  }

  #read(chunk: Uint8Array): void {
    const end = chunk.indexOf(LINE_FEED) + 1;
    if (end === 0) {
      this.#rest = joined([this.#rest, chunk]);
      return;
    }
    // only the line that two pieces share is copied
    if (this.#rest.length > 0) this.#table!.readLines(joined([this.#rest, chunk.subarray(0, end)]));
    const bytes = this.#rest.length > 0 ? chunk.subarray(end) : chunk;
    this.#rest = bytes.slice(this.#table!.readLines(bytes));
  }
}

const encoder = new TextEncoder();
const decoder = new TextDecoder();

/** The table of figures: rows go in as bytes, channels come out. */
class Table {
  readonly #kinds: Uint8Array;
  readonly #stores: readonly (SampleStore<Float32Array> | null)[];
  readonly #times = new SampleStore((length) => new Float64Array(length));
  readonly #delimiter: number;
  readonly #decimal: number;
  readonly #row: Float64Array;
  #line: number;
  #rows = 0;
  #lastTime = -Infinity;
  #repeats = 0;
  #firstRepeatLine: number | null = null;

  constructor(private readonly dialect: TextDialect) {
    const { columns } = dialect;
    this.#kinds = Uint8Array.from(columns, ({ kind }) => KINDS[kind]);
    const channels = columns.filter(({ kind }) => kind === 'channel').length;
    if (channels === 0) throw new CaptureError({ code: 'one-column', line: dialect.firstRow + 1 });
    if (channels > MOST_CHANNELS) throw new CaptureError({ code: 'too-many-channels', channels, most: MOST_CHANNELS });
    this.#stores = columns.map(({ kind }) =>
      kind === 'channel' ? new SampleStore((length) => new Float32Array(length)) : null,
    );
    this.#delimiter = dialect.delimiter.charCodeAt(0);
    this.#decimal = dialect.decimal.charCodeAt(0);
    this.#row = new Float64Array(columns.length);
    this.#line = dialect.firstRow;
  }

  /** @returns How many bytes were read: up to the end of the last whole line. */
  readLines(bytes: Uint8Array): number {
    const end = bytes.lastIndexOf(LINE_FEED) + 1;
    let from = 0;
    while (from < end) {
      this.#line++;
      const next = this.#readPlain(bytes, from);
      if (next > 0) {
        this.#keep();
        from = next;
        continue;
      }
      const lineEnd = bytes.indexOf(LINE_FEED, from);
      const to = lineEnd > from && bytes[lineEnd - 1] === RETURN ? lineEnd - 1 : lineEnd;
      if (to > from) this.#readLine(bytes, from, to, false);
      from = lineEnd + 1;
    }
    return end;
  }

  /**
   * A line of nothing but plain figures, which nearly all are: the line feed at its end stops every loop.
   *
   * @returns Where the next line begins; 0 where the line is not that plain and is read with care instead.
   */
  #readPlain(bytes: Uint8Array, from: number): number {
    const kinds = this.#kinds;
    const row = this.#row;
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

  /** The last line, which may be cut off, and then all of it. */
  finish(last: Uint8Array): Recording {
    let truncated = false;
    const end = last.length > 0 && last.at(-1) === RETURN ? last.length - 1 : last.length;
    if (end > 0 && !(end === 1 && last[0] === 0x1a)) {
      this.#line++;
      truncated = !this.#readLine(last, 0, end, true);
    }
    if (this.#rows < LEAST_SAMPLES)
      throw new CaptureError({ code: 'too-few-samples', samples: this.#rows, least: LEAST_SAMPLES });
    return this.#recording(truncated);
  }

  #recording(truncated: boolean): Recording {
    const { columns, intervalS, clampMillivoltsPerAmp } = this.dialect;
    const taken = this.#stores.map((store) => store?.take() ?? null);
    const own = columns.map((column, at) => ({ ...column, at, samples: taken[at]! })).filter(({ samples }) => samples);
    const dtGuess = intervalS ?? 1;
    const missing = own.map(({ samples, name, at }) => {
      const gaps = fillGaps(samples, 1);
      if (gaps === null) throw new CaptureError({ code: 'empty-channel', column: at + 1, name });
      return gaps;
    });
    const timed = columns.find(({ kind }) => kind === 'time' || kind === 'clock');
    const even = timed
      ? evenTime(
          {
            times: this.#times.take(),
            repeats: this.#repeats,
            firstRepeatLine: this.#firstRepeatLine,
            factor: timed.factor,
          },
          own.map(({ samples }) => samples),
        )
      : { dtS: dtGuess, channels: own.map(({ samples }) => samples), gaps: [] };
    return {
      source: 'csv',
      sampleRateHz: 1 / even.dtS,
      samples: even.channels[0]!.length,
      channels: own.map(({ name, unit, at }, channel) => ({
        name,
        unit: unit as ChannelUnit,
        column: at + 1,
        samples: even.channels[channel]!,
      })),
      gaps: [...even.gaps, ...blankStretches(missing, even.dtS)],
      truncated,
      clampMillivoltsPerAmp,
    };
  }

  /**
   * One line into the stores. @returns Whether it was whole; a cut last line is left out.
   * @throws CaptureError naming line and column.
   */
  #readLine(bytes: Uint8Array, from: number, to: number, mayBeCut: boolean): boolean {
    const kinds = this.#kinds;
    const row = this.#row;
    const delimiter = this.#delimiter;
    const decimal = this.#decimal;
    const width = kinds.length;
    let at = from;
    for (let column = 0; column < width; column++) {
      if (at > to) return this.#narrow(column, bytes, from, to, mayBeCut);
      const kind = kinds[column];
      if (kind === LEFT_OUT || kind === CLOCK) {
        const end = cellEnd(bytes, at, to, delimiter);
        if (kind === CLOCK) {
          const seconds = timeSeconds(cellText(bytes, at, end));
          if (Number.isNaN(seconds)) return this.#fault('not-a-time', column, cellText(bytes, at, end), mayBeCut);
          row[column] = pastMidnight(seconds, this.#lastTime);
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
          return this.#fault('not-a-number', column, found, mayBeCut);
        }
      } else {
        const end = cellEnd(bytes, cellFrom, to, delimiter);
        const text = cellText(bytes, cellFrom, end);
        const value = text === '' ? NaN : plainNumber(text, this.dialect.decimal);
        if (text !== '' && Number.isNaN(value)) return this.#fault('not-a-number', column, text, mayBeCut);
        if (text === '' && kind === TIME) {
          if (isBlank(bytes, from, to, delimiter)) return true;
          return this.#fault('not-a-time', column, 'nothing', mayBeCut);
        }
        row[column] = value;
        at = end;
      }
      at++;
    }
    if (at <= to && !isBlank(bytes, at, to, delimiter)) return this.#wide(bytes, from, to, mayBeCut);
    return this.#keep();
  }

  #keep(): true {
    const { columns, intervalS } = this.dialect;
    for (let column = 0; column < columns.length; column++) {
      const kind = this.#kinds[column]!;
      if (kind === CHANNEL) this.#stores[column]!.push(this.#row[column]! * columns[column]!.factor!);
      else if (intervalS === null && (kind === TIME || kind === CLOCK)) {
        const time = this.#row[column]!;
        if (time <= this.#lastTime) {
          if (time < this.#lastTime)
            throw new CaptureError({
              code: 'time-backwards',
              line: this.#line,
              atS: time * (columns[column]!.factor ?? 1),
            });
          this.#repeats++;
          this.#firstRepeatLine ??= this.#line;
        }
        this.#lastTime = time;
        this.#times.push(time);
      }
    }
    if (++this.#rows > MOST_SAMPLES) throw new CaptureError({ code: 'too-many-samples', most: MOST_SAMPLES });
    return true;
  }

  #fault(code: 'not-a-number' | 'not-a-time', column: number, found: string, mayBeCut: boolean): false {
    if (mayBeCut) return false;
    throw new CaptureError({
      code,
      line: this.#line,
      column: column + 1,
      name: this.dialect.columns[column]!.name,
      found: found.slice(0, 40),
    });
  }

  #narrow(found: number, bytes: Uint8Array, from: number, to: number, mayBeCut: boolean): boolean {
    if (isBlank(bytes, from, to, this.#delimiter)) return true;
    if (mayBeCut) return false;
    throw new CaptureError({ code: 'columns', line: this.#line, found, wanted: this.#kinds.length });
  }

  #wide(bytes: Uint8Array, from: number, to: number, mayBeCut: boolean): false {
    if (mayBeCut) return false;
    let found = 1;
    for (let at = from; at < to; at++) if (bytes[at] === this.#delimiter) found++;
    throw new CaptureError({ code: 'columns', line: this.#line, found, wanted: this.#kinds.length });
  }
}

function cellEnd(bytes: Uint8Array, from: number, to: number, delimiter: number): number {
  let isQuoted = false;
  for (let at = from; at < to; at++) {
    if (bytes[at] === QUOTE) isQuoted = !isQuoted;
    else if (bytes[at] === delimiter && !isQuoted) return at;
  }
  return to;
}

const cellText = (bytes: Uint8Array, from: number, to: number): string =>
  decoder.decode(bytes.subarray(from, to)).trim().replace(/^"|"$/g, '').trim();

/** A figure with an exponent or many digits. */
function plainNumber(text: string, decimal: string): number {
  const plain = decimal === ',' ? text.replace(',', '.') : text;
  return /^[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?$/i.test(plain) ? Number(plain) : NaN;
}

function isBlank(bytes: Uint8Array, from: number, to: number, delimiter: number): boolean {
  for (let at = from; at < to; at++)
    if (bytes[at] !== SPACE && bytes[at] !== delimiter && bytes[at] !== TAB && bytes[at] !== QUOTE) return false;
  return true;
}

/** Stretches of empty cells of all channels, s; many short ones are told as one. */
function blankStretches(missing: readonly (readonly Gap[])[], dtS: number): readonly Gap[] {
  const all = missing.flat().map(({ fromS, toS }) => ({ fromS: fromS * dtS, toS: toS * dtS }));
  if (all.length <= MOST_GAPS) return all;
  return [{ fromS: all[0]!.fromS, toS: all.at(-1)!.toS }];
}
