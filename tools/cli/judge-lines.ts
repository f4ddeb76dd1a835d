import { once } from 'node:events';
import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import type { CriteriaSet } from '@tetrad/core';
import { inputLines } from './input-lines';
import type { InputLine } from './input-lines';
import { judgeText } from './judge-text';

/** Lines judged at a time: enough to make the hand-over cheap, few enough to begin answering soon. */
const BATCH_LINES = 256;
/** Batches in the hands of each worker: one at work, one waiting. */
const BATCHES_EACH = 2;

/**
 * Judges standard input line by line, in order, on all cores. Input of less than one batch is judged
 * here, without starting a worker.
 *
 * @returns the exit status: 1 where any line was no case.
 */
export async function judgeLines(criteria: CriteriaSet): Promise<number> {
  const crew = new Crew(criteria);
  let status = 0;
  const write = async ({ bytes, anyRefused }: Judged): Promise<void> => {
    if (anyRefused) status = 1;
    if (!process.stdout.write(bytes)) await once(process.stdout, 'drain');
  };
  let lines: InputLine[] = [];
  for await (const line of inputLines(process.stdin)) {
    lines.push(line);
    if (lines.length < BATCH_LINES) continue;
    crew.give(lines);
    lines = [];
    while (crew.isFull) await write(await crew.next());
  }
  while (crew.isBusy) await write(await crew.next());
  const rest = judgeText(lines, criteria);
  await write({ bytes: Buffer.from(rest.output), anyRefused: rest.anyRefused });
  await crew.end();
  return status;
}

interface Judged {
  readonly bytes: Uint8Array;
  readonly anyRefused: boolean;
}

/** Worker threads that take batches in turn and give them back in order. */
class Crew {
  readonly #workers: Worker[] = [];
  readonly #waiting: Promise<Judged>[] = [];
  readonly #settle = new Map<number, { resolve: (judged: Judged) => void; reject: (error: Error) => void }>();
  #given = 0;

  constructor(private readonly criteria: CriteriaSet) {}

  get isBusy(): boolean {
    return this.#waiting.length > 0;
  }
  get isFull(): boolean {
    return (
      this.#waiting.length >= this.#workers.length * BATCHES_EACH && this.#workers.length >= availableParallelism()
    );
  }

  give(lines: readonly InputLine[]): void {
    const batch = this.#given++;
    this.#waiting.push(new Promise((resolve, reject) => this.#settle.set(batch, { resolve, reject })));
    if (this.#workers.length < availableParallelism()) this.#workers.push(this.#hire());
    this.#workers[batch % this.#workers.length]!.postMessage({ batch, lines });
  }

  /** The oldest batch, when it is judged. */
  next(): Promise<Judged> {
    return this.#waiting.shift()!;
  }

  async end(): Promise<void> {
    await Promise.all(this.#workers.map((worker) => worker.terminate()));
  }

  #hire(): Worker {
    const worker = new Worker(new URL('./judge-worker.mjs', import.meta.url), { workerData: this.criteria.id });
    worker.on('message', ({ batch, ...judged }: Judged & { batch: number }) => {
      this.#settle.get(batch)?.resolve(judged);
      this.#settle.delete(batch);
    });
    worker.on('error', (error) => this.#settle.forEach(({ reject }) => reject(error)));
    return worker;
  }
}
