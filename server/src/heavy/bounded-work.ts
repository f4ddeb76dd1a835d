/** A few at a time, the others in a queue that has an end: for work that holds much memory while it is done. */
import { Semaphore } from 'async-mutex';
import { Refusal, problem } from '../http/problem';

const AGAIN_S = 2;

export class BoundedWork {
  readonly #places: Semaphore;
  #waiting = 0;

  /**
   * @param atOnce How many are done at once.
   * @param maxWaiting How many may wait.
   */
  constructor(
    atOnce: number,
    private readonly maxWaiting: number,
  ) {
    this.#places = new Semaphore(atOnce);
  }

  /** @throws Refusal 503 where too many wait already. */
  async do<T>(work: () => Promise<T>): Promise<T> {
    const waits = this.#places.isLocked();
    if (waits && this.#waiting >= this.maxWaiting)
      throw new Refusal(
        problem(503, 'busy', `${this.#waiting} such requests wait already; try again in a moment.`),
        AGAIN_S,
      );
    if (waits) this.#waiting++;
    const [, release] = await this.#places.acquire().finally(() => waits && this.#waiting--);
    try {
      return await work();
    } finally {
      release();
    }
  }
}
