/** A load test timed by the load's own current: it begins when amps flow, and ends when they no longer do. */

/** The load is on from this share of the amps that were asked for, and off again under this share of those that flowed. */
const ON_SHARE = 0.4;
const OFF_SHARE = 0.5;
/** Where nobody knows how many amps to expect, a load is more than any vehicle takes at rest, A. */
const ANY_LOAD_AMPS = 25;
/** The volts at the end are the mean of this long, ms: the last display or two. */
const END_MS = 600;

export interface LoadTimed {
  /** Under load, or over: the figures stand then. */
  readonly isOn: boolean;
  /** How long the load was on, s. */
  readonly seconds: number;
  /** At the end, under load, V. */
  readonly volts: number;
  /** Mean while it was on, A. */
  readonly amps: number;
}

interface Sample {
  readonly volts: number;
  readonly amps: number;
  readonly atMs: number;
}

export class LoadTiming {
  #on: Sample[] = [];
  #timed: LoadTimed | null = null;
  readonly #onAmps: number;

  /** @param wantedAmps Amps the load is to be set to; null where nobody knows. */
  constructor(wantedAmps: number | null) {
    this.#onAmps = wantedAmps === null ? ANY_LOAD_AMPS : wantedAmps * ON_SHARE;
  }

  /** @returns null until a load was seen. */
  add(sample: Sample): LoadTimed | null {
    const amps = Math.abs(sample.amps);
    const isOn = this.#on.length === 0 ? amps >= this.#onAmps : amps >= this.#flowed() * OFF_SHARE;
    if (isOn) {
      this.#on.push({ ...sample, amps });
      this.#timed = this.#figures(true);
    } else if (this.#timed?.isOn) {
      this.#timed = this.#figures(false);
      this.#on = [];
    }
    return this.#timed;
  }

  #flowed(): number {
    return this.#on.reduce((sum, { amps }) => sum + amps, 0) / this.#on.length;
  }
  #figures(isOn: boolean): LoadTimed {
    const [first, last] = [this.#on[0]!, this.#on.at(-1)!];
    const end = this.#on.filter(({ atMs }) => last.atMs - atMs < END_MS);
    return {
      isOn,
      seconds: (last.atMs - first.atMs) / 1000,
      volts: end.reduce((sum, { volts }) => sum + volts, 0) / end.length,
      amps: this.#flowed(),
    };
  }
}
