/** A meter's display on a line: what it shows as a number, and its recorder. */
import { MinMaxRecorder, SlowMeter } from '../../../../core/src/simulation';
import type { MeterRange, Random } from '../../../../core/src/simulation';

/** SCPI-1999, 7.2.1.4 and 7.2.1.5. */
const OVER_RANGE = '9.90000000E+37';
const NOT_A_NUMBER = '9.91000000E+37';

export interface DisplayRow extends MeterRange {
  readonly value: () => number;
}

const LOOKS_EVERY_MS = 40;

export class Display {
  readonly #meter: SlowMeter;
  readonly #recorder = new MinMaxRecorder();
  readonly #looking: NodeJS.Timeout;

  constructor(
    private row: DisplayRow,
    random: Random,
  ) {
    this.#meter = new SlowMeter(row, random);
    this.#meter.begin(row.value());
    this.#looking = setInterval(() => this.#look(), LOOKS_EVERY_MS);
    this.#looking.unref();
  }

  /** Another function or range: it begins anew. */
  use(row: DisplayRow): void {
    this.row = row;
    this.#meter.begin(row.value(), row);
    this.clear();
  }
  get text(): string {
    return this.#meter.value?.toFixed(this.#meter.decimals) ?? OVER_RANGE;
  }
  /** The recorder's lowest, highest and mean since it was cleared. */
  recorded(what: 'MIN' | 'MAX' | 'AVER'): string {
    const { kept } = this.#recorder;
    if (kept === null) return NOT_A_NUMBER;
    const value = { MIN: kept.lowest, MAX: kept.highest, AVER: kept.mean }[what];
    return value.toExponential(6).toUpperCase();
  }
  clear(): void {
    this.#recorder.clear();
    this.#meter.show();
  }
  close(): void {
    clearInterval(this.#looking);
  }

  #look(): void {
    this.#meter.follow(this.row.value(), LOOKS_EVERY_MS / 1000);
    this.#recorder.keep(this.#meter.followed);
  }
}
