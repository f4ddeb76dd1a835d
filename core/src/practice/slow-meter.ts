/** A meter as it is: it follows slowly, shows a new figure four times a second, and has a last digit. */
import type { Random } from '../circuit/model/random';

/** How long it takes to come near a new value, and how often it shows another, s. */
const SETTLES_S = 0.18;
const SHOWS_EVERY_S = 0.25;
/** More than this and it shows “OL”, V or A. */
const RANGE = 2000;

export class SlowMeter {
  #followed = 0;
  #shown = 0;
  #sinceS = Infinity;
  #lowest = Infinity;
  #highest = -Infinity;

  /** @param digitOf Step of the last digit, of the range that fits a value. @param noise Share of the value. */
  constructor(
    private readonly digitOf: (value: number) => number,
    private readonly noise: number,
    private readonly random: Random,
  ) {}

  /** The leads were moved: it begins anew. */
  begin(value: number): void {
    this.#followed = value;
    this.#lowest = value;
    this.#highest = value;
    this.#sinceS = Infinity;
    this.follow(value, 0);
  }

  /** @param value What is between its leads, or in its jaws. @param stepS How long it has been so, s. */
  follow(value: number, stepS: number): void {
    this.#followed += (value - this.#followed) * (1 - Math.exp(-stepS / SETTLES_S));
    this.#lowest = Math.min(this.#lowest, this.#followed);
    this.#highest = Math.max(this.#highest, this.#followed);
    this.#sinceS += stepS;
    if (this.#sinceS < SHOWS_EVERY_S) return;
    this.#sinceS = 0;
    const digit = this.digitOf(this.#followed);
    const off = this.random.normal(0, Math.abs(this.#followed) * this.noise + digit / 2);
    this.#shown = Math.round((this.#followed + off) / digit) * digit;
  }

  /** What stands on it: null for over range. */
  get value(): number | null {
    return Math.abs(this.#shown) > RANGE ? null : Number(this.#shown.toFixed(this.decimals));
  }
  get decimals(): number {
    return Math.max(0, Math.round(-Math.log10(this.digitOf(this.#shown))));
  }
  get lowest(): number {
    return this.#lowest;
  }
  get highest(): number {
    return this.#highest;
  }
}
