import { HttpClient } from '@angular/common/http';
import { Injectable, inject, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { addressOf } from '@tetrad/contracts/addresses';

/** Questions asked at most to find an answer that travelled fast; a page that still loads is slow to hear. */
const ASKED = 12;
/** An answer that took this long tells the time well enough. */
const FAST_MS = 20;
const PAUSE_MS = 150;
const AGAIN_MS = 5 * 60_000;
const TICK_MS = 50;

/**
 * The server's time on this device. Device clocks are wrong; of several answers the one with the
 * shortest way tells the difference best, to half its way at worst.
 */
@Injectable({ providedIn: 'root' })
export class Clock {
  readonly #http = inject(HttpClient);
  #offsetMs = 0;
  #asking: Promise<void> | null = null;
  #askedAt = -Infinity;
  #watchers = 0;
  #timer: ReturnType<typeof setInterval> | undefined;
  readonly #ticks = signal(0);

  /** The server's time now, ms. */
  now(): number {
    return Date.now() + this.#offsetMs;
  }

  /** The server's time, read anew twenty times a second while somebody watches. */
  ticking(): number {
    this.#ticks();
    return this.now();
  }

  /** Begins to watch; the call returned ends it. */
  watch(): () => void {
    void this.synchronise();
    this.#watchers += 1;
    this.#timer ??= setInterval(() => this.#ticks.update((count) => count + 1), TICK_MS);
    return () => {
      this.#watchers -= 1;
      if (this.#watchers > 0) return;
      clearInterval(this.#timer);
      this.#timer = undefined;
    };
  }

  /** Asks for the server's time where the last answer is old. */
  synchronise(): Promise<void> {
    if (performance.now() - this.#askedAt < AGAIN_MS) return this.#asking ?? Promise.resolve();
    this.#askedAt = performance.now();
    this.#asking = this.#ask().catch(() => {
      this.#askedAt = -Infinity; // away: the next to watch asks again
    });
    return this.#asking;
  }

  async #ask(): Promise<void> {
    let shortest = Infinity;
    for (let i = 0; i < ASKED && shortest > FAST_MS; i++) {
      if (i > 0) await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
      const sent = Date.now();
      const { now } = await firstValueFrom(this.#http.get<{ now: number }>(addressOf('getClock')));
      const way = Date.now() - sent;
      if (way >= shortest) continue;
      shortest = way;
      this.#offsetMs = now - (sent + way / 2);
    }
  }
}
