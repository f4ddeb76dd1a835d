/** A few at a time, the others in a queue that has an end: for work that holds much memory while it is done. */
import { Semaphore, withTimeout } from 'async-mutex';
import type { SemaphoreInterface } from 'async-mutex';
import { Refusal, problem } from '../http/problem';

const AGAIN_S = 2;
/** Whoever has waited for so long is told to come again, ms. */
const LONGEST_WAIT_MS = 30_000;

const busy = (detail: string): Refusal => new Refusal(problem(503, 'busy', detail), AGAIN_S);

export class BoundedWork {
  readonly #places: SemaphoreInterface;
  #waiting = 0;

  /**
   * @param atOnce How many are done at once.
   * @param maxWaiting How many may wait.
   * @param longestWaitMs And for how long.
   */
  constructor(
    atOnce: number,
    private readonly maxWaiting: number,
    longestWaitMs = LONGEST_WAIT_MS,
  ) {
    const refusal = busy('Others were served first for too long; try again in a moment.');
    this.#places = withTimeout(new Semaphore(atOnce), longestWaitMs, refusal);
  }

  /** @throws Refusal 503 where too many wait already, or it has waited for too long. */
  async do<T>(work: () => Promise<T>): Promise<T> {
    const waits = this.#places.isLocked();
    if (waits && this.#waiting >= this.maxWaiting)
      throw busy(`${this.#waiting} such requests wait already; try again in a moment.`);
    if (waits) this.#waiting++;
    const [, release] = await this.#places.acquire().finally(() => waits && this.#waiting--);
    try {
      return await work();
    } finally {
      release();
    }
  }
}
