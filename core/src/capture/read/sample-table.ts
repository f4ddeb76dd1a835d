/** The table of figures of a text file: lines go in as bytes, evenly timed channels come out. */
import type { ChannelUnit, Gap, Recording } from '../recording';
import { CaptureError } from './capture-fault';
import { LINE_FEED, RETURN } from './cells';
import type { TextDialect } from './dialect';
import { evenTime } from './even-time';
import { fillGaps } from './fill-gaps';
import { MIN_SAMPLES, MAX_CHANNELS, MAX_SAMPLES } from './read-limits';
import { RowReader } from './row-reader';
import { SampleStore } from './sample-store';

/** Lists of single empty cells longer than this are told as one stretch. */
const MAX_GAPS = 1000;
/** The end-of-file mark that some recorders leave on a line of its own. */
const END_OF_FILE = 0x1a;

export class SampleTable {
  readonly #reader: RowReader;
  readonly #stores: readonly (SampleStore<Float32Array> | null)[];
  readonly #times = new SampleStore((length) => new Float64Array(length));
  /** The column that the times are read from; none where the notes tell an interval. */
  readonly #timeColumn: number;
  #line: number;
  #rows = 0;
  #lastTime = -Infinity;
  #repeats = 0;
  #firstRepeatLine: number | null = null;

  constructor(private readonly dialect: TextDialect) {
    const { columns, intervalS, firstRow } = dialect;
    const channels = columns.filter(({ kind }) => kind === 'channel').length;
    if (channels === 0) throw new CaptureError({ code: 'one-column', line: firstRow + 1 });
    if (channels > MAX_CHANNELS) throw new CaptureError({ code: 'too-many-channels', channels, most: MAX_CHANNELS });
    this.#stores = columns.map(({ kind }) =>
      kind === 'channel' ? new SampleStore((length) => new Float32Array(length)) : null,
    );
    this.#timeColumn = intervalS === null ? columns.findIndex(({ kind }) => kind === 'time' || kind === 'clock') : -1;
    this.#reader = new RowReader(dialect);
    this.#line = firstRow;
  }

  /** @returns How many bytes were read: up to the end of the last whole line. */
  readLines(bytes: Uint8Array): number {
    const end = bytes.lastIndexOf(LINE_FEED) + 1;
    let from = 0;
    while (from < end) {
      this.#line++;
      const next = this.#reader.readPlain(bytes, from);
      if (next > 0) {
        this.#keep();
        from = next;
        continue;
      }
      const lineEnd = bytes.indexOf(LINE_FEED, from);
      const to = lineEnd > from && bytes[lineEnd - 1] === RETURN ? lineEnd - 1 : lineEnd;
      if (to > from) this.#readWithCare(bytes, from, to, false);
      from = lineEnd + 1;
    }
    return end;
  }

  /** The last line, which may be cut off, and then all of it. */
  finish(last: Uint8Array): Recording {
    let truncated = false;
    const end = last.length > 0 && last.at(-1) === RETURN ? last.length - 1 : last.length;
    if (end > 0 && !(end === 1 && last[0] === END_OF_FILE)) {
      this.#line++;
      truncated = !this.#readWithCare(last, 0, end, true);
    }
    if (this.#rows < MIN_SAMPLES)
      throw new CaptureError({ code: 'too-few-samples', samples: this.#rows, least: MIN_SAMPLES });
    return this.#recording(truncated);
  }

  /**
   * @returns Whether the line was whole; a cut last line is left out.
   * @throws CaptureError naming line and column.
   */
  #readWithCare(bytes: Uint8Array, from: number, to: number, mayBeCut: boolean): boolean {
    const outcome = this.#reader.readWithCare(bytes, from, to, this.#lastTime);
    if (outcome === 'read') this.#keep();
    else if (outcome !== 'blank') {
      if (mayBeCut) return false;
      throw new CaptureError({ ...outcome, line: this.#line });
    }
    return true;
  }

  #keep(): void {
    const { row } = this.#reader;
    const { columns } = this.dialect;
    for (let column = 0; column < columns.length; column++)
      this.#stores[column]?.push(row[column]! * columns[column]!.factor!);
    if (this.#timeColumn >= 0) this.#keepTime(row[this.#timeColumn]!);
    if (++this.#rows > MAX_SAMPLES) throw new CaptureError({ code: 'too-many-samples', most: MAX_SAMPLES });
  }

  #keepTime(time: number): void {
    if (time <= this.#lastTime) {
      if (time < this.#lastTime) {
        const factor = this.dialect.columns[this.#timeColumn]!.factor ?? 1;
        throw new CaptureError({ code: 'time-backwards', line: this.#line, atS: time * factor });
      }
      this.#repeats++;
      this.#firstRepeatLine ??= this.#line;
    }
    this.#lastTime = time;
    this.#times.push(time);
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
}

/** Stretches of empty cells of all channels, s; many short ones are told as one. */
function blankStretches(missing: readonly (readonly Gap[])[], dtS: number): readonly Gap[] {
  const all = missing.flat().map(({ fromS, toS }) => ({ fromS: fromS * dtS, toS: toS * dtS }));
  if (all.length <= MAX_GAPS) return all;
  return [{ fromS: all[0]!.fromS, toS: all.at(-1)!.toS }];
}
