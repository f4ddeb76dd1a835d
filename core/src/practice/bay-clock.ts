/** For how long what a reading's conditions ask for has been so. */
import type { Controls, Instant } from '../simulation';

/** Seconds each. */
export interface ClockTimes {
  readonly crankedS: number;
  readonly loadedS: number;
  readonly ranS: number;
  /** Infinity for a vehicle that stood overnight. */
  readonly keyOffS: number;
  /** Since the battery was last charged, by a charger or the engine; null for never today. */
  readonly chargedS: number | null;
  readonly isSurfaceCleared: boolean;
}

/** A charge stays on the plates for hours, s. */
const SURFACE_S = 4 * 3600;

export class BayClock {
  #times: ClockTimes = {
    crankedS: 0,
    loadedS: 0,
    ranS: 0,
    keyOffS: Infinity,
    chargedS: null,
    isSurfaceCleared: false,
  };

  get times(): ClockTimes {
    return this.#times;
  }
  /** A charge is still on the plates. */
  get isSurfaceCharged(): boolean {
    const { chargedS, isSurfaceCleared } = this.#times;
    return chargedS !== null && chargedS < SURFACE_S && !isSurfaceCleared;
  }

  /** It comes from a charge just now. */
  charged(): void {
    this.#times = { ...this.#times, chargedS: 0 };
  }
  /** It was charged, and has rested since. @param seconds How long. */
  chargedAndRested(seconds: number): void {
    this.#times = { ...this.#times, chargedS: seconds, isSurfaceCleared: true, ranS: 0 };
  }
  tick(stepS: number, { key, testerAmps, lamps, chargerAmps }: Controls, { isRunning }: Instant): void {
    const { crankedS, loadedS, ranS, keyOffS, chargedS, isSurfaceCleared } = this.#times;
    const isCharging = isRunning || chargerAmps > 0;
    this.#times = {
      crankedS: key === 'start' ? crankedS + stepS : 0,
      loadedS: testerAmps > 0 ? loadedS + stepS : 0,
      ranS: isRunning ? ranS + stepS : 0,
      keyOffS: key === 'off' ? keyOffS + stepS : 0,
      chargedS: isCharging ? 0 : chargedS === null ? null : chargedS + stepS,
      isSurfaceCleared: !isCharging && (isSurfaceCleared || lamps || key === 'start'),
    };
  }
}
