/** Runs heavy tasks: a few at once, the others in a queue with an end, none without a limit of time. */
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { Refusal, problem } from '../platform/http/problem';
import type { SheetPaper } from '../rounds/draw-sheet';
import { judge, pdf, rejudge, sheet } from './tasks';
import type { Judged, JudgeTask, PdfTask, RejudgeTask, Rejudged } from './tasks';

/** A case with fewer readings is judged faster than it is handed over. */
export const HEAVY_FROM = 200;
/** More than these do not wait; a task that takes longer is given up, ms. */
const MAX_WAITING = 40;
const LONGEST_MS = 30_000;
/** The first thread begins with the first task, or so long after the start: the first pages are served before it, ms. */
const BEGINS_AFTER_MS = 5_000;

export interface HeavyWork {
  judge(task: JudgeTask): Promise<Judged>;
  /** @param signal Ends it: who asked has gone. */
  pdf(task: PdfTask, signal: AbortSignal): Promise<Uint8Array>;
  sheet(task: SheetPaper, signal: AbortSignal): Promise<Uint8Array>;
  rejudge(task: RejudgeTask, signal: AbortSignal): Promise<Rejudged>;
  close(): Promise<void>;
}

/** In the thread at hand: for tests, and for the demo's data. */
const atHand: HeavyWork = {
  judge: (task) => Promise.resolve(judge(task)),
  pdf: (task) => pdf(task),
  sheet: (task) => sheet(task),
  rejudge: (task) => Promise.resolve(rejudge(task)),
  close: () => Promise.resolve(),
};

/** In threads beside the server. @param file The built worker. */
export function inThreads(file: URL): HeavyWork {
  let made: Piscina | undefined;
  const pool = (): Piscina =>
    (made ??= new Piscina({
      filename: fileURLToPath(file),
      minThreads: 1,
      maxThreads: Math.max(1, availableParallelism() - 1),
      maxQueue: MAX_WAITING,
      idleTimeout: 30_000,
    }));
  const begins = setTimeout(pool, BEGINS_AFTER_MS).unref();
  const run = async <T>(name: string, task: unknown, signal?: AbortSignal): Promise<T> => {
    const limit = AbortSignal.timeout(LONGEST_MS);
    try {
      return (await pool().run(task, { name, signal: signal ? AbortSignal.any([signal, limit]) : limit })) as T;
    } catch (error) {
      if (limit.aborted)
        throw new Refusal(problem(422, 'too-heavy', `This takes longer than ${LONGEST_MS / 1000} s and was given up.`));
      if (error instanceof Error && /queue.*limit/i.test(error.message))
        throw new Refusal(problem(503, 'busy', `${MAX_WAITING} such tasks wait already; try again in a moment.`), 2);
      throw error;
    }
  };
  return {
    judge: (task) => run('judge', task),
    pdf: (task, signal) => run('pdf', task, signal),
    sheet: (task, signal) => run('sheet', task, signal),
    rejudge: (task, signal) => run('rejudge', task, signal),
    close: async () => {
      clearTimeout(begins);
      await made?.destroy();
    },
  };
}

let chosen: HeavyWork = atHand;
/** Chooses where heavy work is done from now on, for the whole process. */
export const doHeavyWork = (work: HeavyWork): void => void (chosen = work);
export const heavyWork = (): HeavyWork => chosen;
