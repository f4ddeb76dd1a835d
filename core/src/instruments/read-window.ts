/**
 * What an instrument showed during a count-down or under a load: the sustained figure is the mean of the stretch in which
 * the value is steady, and the extremes of the whole window stand beside it (docs/instruments.md).
 */

export interface WindowFigures {
  /** Mean of what was read while the value was sustained. */
  readonly sustained: number;
  readonly lowest: number;
  readonly highest: number;
  /** How many values the mean is of. */
  readonly count: number;
}

/** Fewer values tell no mean. */
const MIN_VALUES = 3;

export class ReadWindow {
  #sum = 0;
  #count = 0;
  #lowest = Infinity;
  #highest = -Infinity;

  /** @param isSustained Whether the value counts for the mean, or only for the extremes. */
  add(value: number, isSustained: boolean): void {
    this.#lowest = Math.min(this.#lowest, value);
    this.#highest = Math.max(this.#highest, value);
    if (!isSustained) return;
    this.#sum += value;
    this.#count += 1;
  }

  /** Null until enough was read while the value was sustained. */
  get figures(): WindowFigures | null {
    if (this.#count < MIN_VALUES) return null;
    return { sustained: this.#sum / this.#count, lowest: this.#lowest, highest: this.#highest, count: this.#count };
  }
}
