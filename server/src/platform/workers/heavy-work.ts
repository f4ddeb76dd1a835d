/**
 * Runs heavy tasks in threads: judging in one of its own, so that paper never stands before a reading; the rest a few at
 * once, by turns of the shops; none without a limit of time, counted from when it begins.
 */
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { Refusal, problem } from '../http/problem';
import { FairQueue } from './fair-queue';
import { workingShop } from '../database/working-shop';

/** More than these do not wait, of all shops and of one; a task that takes longer is given up, ms. */
const MAX_WAITING = 40;
const MAX_WAITING_OF_ONE = 20;
const LONGEST_MS = 30_000;
/** The first thread begins with the first task, or so long after the start: the first pages are served before it, ms. */
const BEGINS_AFTER_MS = 5_000;

/** Work that takes long enough to hold others up. The thread's file exports it by its name. */
export interface HeavyTask<Given, Made> {
  readonly name: string;
  /** Judging has a thread of its own. */
  readonly lane: 'judging' | 'rest';
  readonly work: (given: Given) => Made | Promise<Made>;
}

/** Where heavy work is done. */
export interface HeavyWork {
  /** @param signal Ends it: who asked has gone. */
  run<Given, Made>(task: HeavyTask<Given, Made>, given: Given, signal?: AbortSignal): Promise<Made>;
  close(): Promise<void>;
}

/** In the thread at hand: for tests, and for the demo's data. */
const atHand: HeavyWork = {
  run: async (task, given) => task.work(given),
  close: () => Promise.resolve(),
};

/** Threads of one kind of work, with the queue before them. */
class Lane {
  readonly #file: URL;
  readonly #threads: number;
  readonly #queue: FairQueue;
  #made: Piscina | undefined;

  constructor(file: URL, threads: number) {
    this.#file = file;
    this.#threads = threads;
    this.#queue = new FairQueue({ atOnce: threads, maxWaiting: MAX_WAITING, maxWaitingOfOne: MAX_WAITING_OF_ONE });
  }

  begin(): Piscina {
    return (this.#made ??= new Piscina({
      filename: fileURLToPath(this.#file),
      minThreads: 1,
      maxThreads: this.#threads,
      idleTimeout: 30_000,
    }));
  }

  /** @throws Refusal 503 where too many wait, 422 where the task itself takes too long. */
  run<T>(name: string, task: unknown, signal?: AbortSignal): Promise<T> {
    return this.#queue.do(
      workingShop(),
      async () => {
        const limit = AbortSignal.timeout(LONGEST_MS);
        try {
          const ends = signal ? AbortSignal.any([signal, limit]) : limit;
          return (await this.begin().run(task, { name, signal: ends })) as T;
        } catch (error) {
          if (!limit.aborted) throw error;
          const seconds = LONGEST_MS / 1000;
          throw new Refusal(
            problem(422, 'too-heavy', `This takes longer than ${seconds} s and was given up. Nothing was stored.`),
          );
        }
      },
      signal,
    );
  }

  async close(): Promise<void> {
    await this.#made?.destroy();
  }
}

/** In threads beside the server. @param file The built worker. */
export function inThreads(file: URL): HeavyWork {
  const judging = new Lane(file, 1);
  const rest = new Lane(file, Math.max(1, availableParallelism() - 1));
  const begins = setTimeout(() => judging.begin(), BEGINS_AFTER_MS).unref();
  return {
    run: ({ name, lane }, given, signal) => (lane === 'judging' ? judging : rest).run(name, given, signal),
    close: async () => {
      clearTimeout(begins);
      await Promise.all([judging.close(), rest.close()]);
    },
  };
}

let chosen: HeavyWork = atHand;
/** Chooses where heavy work is done from now on, for the whole process. */
export const doHeavyWork = (work: HeavyWork): void => void (chosen = work);
/** Does it there. */
export const doInThread: HeavyWork['run'] = (task, given, signal) => chosen.run(task, given, signal);
export const heavyWork = (): HeavyWork => chosen;
