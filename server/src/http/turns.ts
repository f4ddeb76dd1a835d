/**
 * Work on one thing, one after the other: who waits for a job holds no connection, so that one job, however many want
 * it, takes one connection of the pool.
 */
import { Refusal, problem } from './problem';

/** More than these do not wait for one thing. */
const MAX_WAITING = 50;
const AGAIN_S = 1;

export class Turns {
  readonly #last = new Map<string, Promise<unknown>>();
  readonly #waiting = new Map<string, number>();

  /** @throws Refusal 503 where too many wait already. */
  async take<T>(key: string, work: () => Promise<T>): Promise<T> {
    const waiting = this.#waiting.get(key) ?? 0;
    if (waiting >= MAX_WAITING)
      throw new Refusal(
        problem(503, 'busy', `${waiting} others wait to change this. Nothing was stored; try again in a moment.`),
        AGAIN_S,
      );
    this.#waiting.set(key, waiting + 1);
    const before = this.#last.get(key) ?? Promise.resolve();
    const own = before.then(work, work);
    const settled = own.catch(() => undefined);
    this.#last.set(key, settled);
    try {
      return await own;
    } finally {
      const left = this.#waiting.get(key)! - 1;
      if (left > 0) this.#waiting.set(key, left);
      else this.#waiting.delete(key);
      if (this.#last.get(key) === settled) this.#last.delete(key);
    }
  }
}
