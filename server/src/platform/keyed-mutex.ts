/**
 * One thing at a time for each key: who waits for a job holds no connection, so that one job, however many want it,
 * takes one connection of the pool.
 */
import { Mutex } from 'async-mutex';

/** Thrown where too many wait for the same key already. */
export class QueueFull extends Error {
  constructor(readonly waiting: number) {
    super(`${waiting} others wait for the same`);
  }
}

interface Entry {
  readonly mutex: Mutex;
  waiting: number;
}

export class KeyedMutex {
  readonly #entries = new Map<string, Entry>();

  /** @param maxWaiting More than these do not wait for one key. */
  constructor(private readonly maxWaiting: number) {}

  /** @throws QueueFull where too many wait already. */
  async runExclusive<T>(key: string, work: () => Promise<T>): Promise<T> {
    const entry = this.#entries.get(key) ?? { mutex: new Mutex(), waiting: 0 };
    if (entry.waiting >= this.maxWaiting) throw new QueueFull(entry.waiting);
    this.#entries.set(key, entry);
    entry.waiting++;
    try {
      return await entry.mutex.runExclusive(work);
    } finally {
      if (--entry.waiting === 0) this.#entries.delete(key);
    }
  }
}
