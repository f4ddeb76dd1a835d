/** Whether a value that is read again and again stands still, and what it was meanwhile. */

/** A value counts as steady where it kept within its accuracy for so long, ms. */
export const STEADY_MS = 1500;
/** A value older than this is not shown as live, ms. */
export const MAX_AGE_MS = 500;
/** An instrument that has not answered for so long is lost, ms. */
export const LOST_MS = 2000;

export interface Standing {
  readonly isSteady: boolean;
  /** Mean of the newest stretch that is judged. */
  readonly mean: number;
  readonly lowest: number;
  readonly highest: number;
}

interface Sample {
  readonly atMs: number;
  readonly value: number;
}

export class Steadiness {
  #samples: Sample[] = [];
  #lowest = Infinity;
  #highest = -Infinity;

  /** @param accuracy How far the value may be wrong, in its own unit. */
  constructor(private readonly accuracy: number) {}

  /** @param atMs When it was read, on any clock that goes forward. */
  add(value: number, atMs: number): Standing {
    this.#samples.push({ value, atMs });
    const from = this.#samples.findLastIndex((sample) => atMs - sample.atMs >= STEADY_MS);
    if (from > 0) this.#samples.splice(0, from);
    this.#lowest = Math.min(this.#lowest, value);
    this.#highest = Math.max(this.#highest, value);
    const values = this.#samples.map((sample) => sample.value);
    const spread = Math.max(...values) - Math.min(...values);
    return {
      // within ± its accuracy; a figure of a coarse display stands still too
      isSteady: from >= 0 && spread <= 2 * this.accuracy,
      mean: values.reduce((sum, one) => sum + one, 0) / values.length,
      lowest: this.#lowest,
      highest: this.#highest,
    };
  }

  /** Forgets what was: the leads have moved, or a window begins. */
  reset(): void {
    this.#samples = [];
    this.#lowest = Infinity;
    this.#highest = -Infinity;
  }
}
