/** How a meter shows a value: it follows slowly, four times a second, with noise and a last digit, and not beyond its range. */
import type { Random } from '../../../../core/src/simulation';

/** SCPI-1999, 7.2.1.4. */
const OVER_RANGE = '9.90000000E+37';

export interface DisplayRow {
  readonly value: () => number;
  readonly range: number;
  /** Step of the last digit, of the range that fits the value. */
  readonly digit: (value: number) => number;
  /** Noise as a share of the value, and in digits. */
  readonly noise: readonly [number, number];
}

/** How long a display takes to come near a new value, s, and how often it shows another, ms. */
const SETTLES_S = 0.18;
const SHOWS_EVERY_MS = 250;
const LOOKS_EVERY_MS = 40;

export class Display {
  #shown = 0;
  #followed = 0;
  #lowest = Infinity;
  #highest = -Infinity;
  #sum = 0;
  #count = 0;
  #sinceMs = 0;
  readonly #looking: NodeJS.Timeout;

  constructor(
    private row: DisplayRow,
    private readonly random: Random,
  ) {
    this.#followed = row.value();
    this.#looking = setInterval(() => this.#look(), LOOKS_EVERY_MS);
    this.#looking.unref();
  }

  /** Another function or range: it begins anew. */
  use(row: DisplayRow): void {
    this.row = row;
    this.#followed = row.value();
    this.clear();
  }
  get text(): string {
    const digit = this.row.digit(this.#shown);
    return Math.abs(this.#shown) > this.row.range
      ? OVER_RANGE
      : this.#shown.toFixed(Math.max(0, Math.round(-Math.log10(digit))));
  }
  /** The recorder's lowest, highest and mean since it was cleared. */
  recorded(what: 'MIN' | 'MAX' | 'AVER'): string {
    if (this.#count === 0) return '9.91000000E+37';
    const value = { MIN: this.#lowest, MAX: this.#highest, AVER: this.#sum / this.#count }[what];
    return value.toExponential(6).toUpperCase();
  }
  clear(): void {
    this.#lowest = Infinity;
    this.#highest = -Infinity;
    this.#sum = 0;
    this.#count = 0;
    this.#show();
  }
  close(): void {
    clearInterval(this.#looking);
  }

  #look(): void {
    const value = this.row.value();
    this.#followed += (value - this.#followed) * (1 - Math.exp(-LOOKS_EVERY_MS / 1000 / SETTLES_S));
    this.#lowest = Math.min(this.#lowest, this.#followed);
    this.#highest = Math.max(this.#highest, this.#followed);
    this.#sum += this.#followed;
    this.#count++;
    this.#sinceMs += LOOKS_EVERY_MS;
    if (this.#sinceMs >= SHOWS_EVERY_MS) this.#show();
  }
  #show(): void {
    this.#sinceMs = 0;
    const { noise } = this.row;
    const digit = this.row.digit(this.#followed);
    const off = this.random.normal(0, (Math.abs(this.#followed) * noise[0] + digit * noise[1]) / 3);
    this.#shown = Math.round((this.#followed + off) / digit) * digit;
  }
}
