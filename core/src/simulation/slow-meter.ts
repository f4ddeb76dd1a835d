/** A meter as it is: it follows slowly, shows a new figure four times a second, and has a last digit. */
import type { Random } from '../circuit/model/random';

/** How long it takes to come near a new value, and how often it shows another, s. */
const SETTLES_S = 0.18;
const SHOWS_EVERY_S = 0.25;

/** Volts have two ranges: millivolts are seen under 6 V. @param volts What is shown, V; either sign. */
export const voltDigit = (volts: number): number => (Math.abs(volts) < 6 ? 0.001 : 0.01);

/** What one function of a meter shows. */
export interface MeterRange {
  /** More than this is over range. */
  readonly most: number;
  /** Step of the last digit, of the range that fits a value. */
  readonly digitOf: (value: number) => number;
  /** Standard deviation of what it shows. @param size The value without its sign. */
  readonly noiseOf: (size: number, digit: number) => number;
}

/** What a meter's recorder keeps since it was cleared; null for nothing yet. */
export class MinMaxRecorder {
  #lowest = Infinity;
  #highest = -Infinity;
  #sum = 0;
  #count = 0;

  clear(): void {
    this.#lowest = Infinity;
    this.#highest = -Infinity;
    this.#sum = 0;
    this.#count = 0;
  }
  keep(value: number): void {
    this.#lowest = Math.min(this.#lowest, value);
    this.#highest = Math.max(this.#highest, value);
    this.#sum += value;
    this.#count++;
  }
  get kept(): { readonly lowest: number; readonly highest: number; readonly mean: number } | null {
    if (this.#count === 0) return null;
    return { lowest: this.#lowest, highest: this.#highest, mean: this.#sum / this.#count };
  }
}

export class SlowMeter {
  #followed = 0;
  #shown = 0;
  #sinceS = 0;

  constructor(
    private range: MeterRange,
    private readonly random: Random,
  ) {}

  /** The leads were moved, or the function was changed: it begins anew. */
  begin(value: number, range = this.range): void {
    this.range = range;
    this.#followed = value;
    this.show();
  }

  /** @param value What is between its leads, or in its jaws. @param stepS How long it has been so, s. */
  follow(value: number, stepS: number): void {
    this.#followed += (value - this.#followed) * (1 - Math.exp(-stepS / SETTLES_S));
    this.#sinceS += stepS;
    if (this.#sinceS >= SHOWS_EVERY_S) this.show();
  }
  /** Shows another figure at once. */
  show(): void {
    this.#sinceS = 0;
    const { digitOf, noiseOf } = this.range;
    const digit = digitOf(this.#followed);
    const off = this.random.normal(0, noiseOf(Math.abs(this.#followed), digit));
    this.#shown = Math.round((this.#followed + off) / digit) * digit;
  }

  /** What it has come near to, without its last digit: what a recorder keeps. */
  get followed(): number {
    return this.#followed;
  }
  /** What stands on it: null for over range. */
  get value(): number | null {
    return Math.abs(this.#shown) > this.range.most ? null : Number(this.#shown.toFixed(this.decimals));
  }
  get decimals(): number {
    return Math.max(0, Math.round(-Math.log10(this.range.digitOf(this.#shown))));
  }
}
