/** What hurts people or vehicles, as the bay can see it done. */
import type { Controls, Instant } from '../simulation';

export const SAFETY_EVENTS = {
  'fuel-not-stopped': 'Cranked to take a reading without stopping the fuel.',
  'cranked-too-long': 'Cranked for more than 15 s at a stretch.',
  'no-cooling': 'Cranked again before the starter had cooled for 60 s.',
  'loaded-flat': 'Loaded or cranked a flat battery to test it.',
  'frozen-tested': 'Loaded or cranked a battery that may be frozen.',
  sparks: 'Made a spark at a battery on the charger.',
  'positive-first': 'Took the positive clamp off, or put it on, while the negative was on.',
  'disconnected-running': 'Disconnected the battery while the engine ran.',
} as const;
export type SafetyEvent = keyof typeof SAFETY_EVENTS;

/** Longest crank, and the pause after it, s. */
const MAX_CRANK_S = 15;
const COOLS_S = 60;
/** A shorter crank warms nothing, s. */
const WARMS_FROM_S = 4;

/** Watches the starter. */
export class StarterWatch {
  #crankedS = 0;
  #lastS = 0;
  #restS = Infinity;
  readonly #told = new Set<SafetyEvent>();

  get events(): readonly SafetyEvent[] {
    return [...this.#told];
  }
  note(event: SafetyEvent): void {
    this.#told.add(event);
  }

  pass(stepS: number, { key }: Pick<Controls, 'key'>, now: Pick<Instant, 'isRunning'>): void {
    const isCranking = key === 'start' && !now.isRunning;
    if (!isCranking) {
      if (this.#crankedS > 0) this.#lastS = this.#crankedS;
      this.#restS = (this.#crankedS > 0 ? 0 : this.#restS) + stepS;
      this.#crankedS = 0;
      return;
    }
    if (this.#crankedS === 0 && this.#restS < COOLS_S && this.#lastS >= WARMS_FROM_S) this.note('no-cooling');
    this.#crankedS += stepS;
    if (this.#crankedS > MAX_CRANK_S) this.note('cranked-too-long');
  }
}
