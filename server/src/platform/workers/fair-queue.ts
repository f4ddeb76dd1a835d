/**
 * A few at a time, the others in a queue that has an end: for work that holds much memory, a thread or the database while
 * it is done. Whoever waits takes turns by shop, so that many requests of one hold up no other by more than one of them.
 */
import { Refusal, problem } from '../http/problem';

const AGAIN_S = 2;

const busy = (detail: string): Refusal => new Refusal(problem(503, 'busy', `${detail}. Nothing was stored.`), AGAIN_S);

export interface FairQueueLimits {
  /** How many are done at once, of all and of one shop. */
  readonly atOnce: number;
  readonly atOnceOfOne?: number;
  /** How many may wait, of all and of one shop. */
  readonly maxWaiting: number;
  readonly maxWaitingOfOne?: number;
  /** And for how long, ms. */
  readonly longestWaitMs?: number;
}

/** Whoever has waited for so long is asked to come again, ms. */
const LONGEST_WAIT_MS = 30_000;

interface Waiting {
  readonly start: () => void;
}

export class FairQueue {
  readonly #limits: Required<FairQueueLimits>;
  /** By shop, in the order in which their turns come. */
  readonly #waiting = new Map<string, Waiting[]>();
  readonly #running = new Map<string, number>();

  constructor(limits: FairQueueLimits) {
    this.#limits = {
      atOnceOfOne: limits.atOnce,
      maxWaitingOfOne: limits.maxWaiting,
      longestWaitMs: LONGEST_WAIT_MS,
      ...limits,
    };
  }

  /**
   * @param shop Whose work it is.
   * @param signal Ends the wait: who asked has gone.
   * @throws Refusal 503 where too many wait already, or it has waited for too long.
   */
  async do<T>(shop: string, work: () => Promise<T>, signal?: AbortSignal): Promise<T> {
    signal?.throwIfAborted();
    if (!this.#hasPlaceFor(shop)) await this.#turn(shop, signal);
    else this.#count(shop, 1);
    try {
      return await work();
    } finally {
      this.#count(shop, -1);
      this.#startNext();
    }
  }

  /** Waits for its turn; what waits is counted as running from the moment it is called up. */
  #turn(shop: string, signal: AbortSignal | undefined): Promise<void> {
    const { maxWaiting, maxWaitingOfOne, longestWaitMs } = this.#limits;
    const own = this.#waiting.get(shop) ?? [];
    const all = [...this.#waiting.values()].reduce((sum, { length }) => sum + length, 0);
    if (own.length >= maxWaitingOfOne || all >= maxWaiting)
      throw busy(`${own.length >= maxWaitingOfOne ? own.length : all} such requests are waiting already`);
    return new Promise((resolve, reject) => {
      const leave = (why: unknown): void => {
        settle();
        const left = (this.#waiting.get(shop) ?? []).filter((one) => one !== waiting);
        if (left.length > 0) this.#waiting.set(shop, left);
        else this.#waiting.delete(shop);
        reject(why);
      };
      const late = setTimeout(() => leave(busy('The server was busy with others for too long')), longestWaitMs);
      const gone = (): void => leave(signal?.reason);
      const settle = (): void => {
        clearTimeout(late);
        signal?.removeEventListener('abort', gone);
      };
      const waiting: Waiting = {
        start: () => {
          settle();
          this.#count(shop, 1);
          resolve();
        },
      };
      signal?.addEventListener('abort', gone);
      this.#waiting.set(shop, [...own, waiting]);
    });
  }

  /** Calls up the first of the shop whose turn it is, and puts that shop last. */
  #startNext(): void {
    for (const [shop, [next, ...others]] of this.#waiting) {
      if (!next || !this.#hasPlaceFor(shop)) continue;
      this.#waiting.delete(shop);
      if (others.length > 0) this.#waiting.set(shop, others);
      next.start();
      return;
    }
  }

  #hasPlaceFor(shop: string): boolean {
    const all = [...this.#running.values()].reduce((sum, count) => sum + count, 0);
    return all < this.#limits.atOnce && (this.#running.get(shop) ?? 0) < this.#limits.atOnceOfOne;
  }

  #count(shop: string, change: 1 | -1): void {
    const count = (this.#running.get(shop) ?? 0) + change;
    if (count > 0) this.#running.set(shop, count);
    else this.#running.delete(shop);
  }
}
