/**
 * Instruments read for several serving processes: the first process has the one connection of each, and tells every process
 * that watches. A process that is served alone has its instruments itself.
 */
import type { InstrumentFunction } from '@tetrad/core';
import { LiveInstruments } from './live-instruments';
import type { InstrumentWatching, LiveInstrument, LiveNews } from './live-instruments';

interface Watch {
  readonly instrument: LiveInstrument;
  readonly use: InstrumentFunction;
  readonly owner: string;
}
/** What a serving process asks of the first one: to watch something by a number of its own, and to end that. */
export interface InstrumentRequest {
  readonly instrument: { readonly id: number; readonly watch: Watch | null };
}
/** What the first process tells it. */
export interface InstrumentAnswer {
  readonly instrumentNews: { readonly id: number; readonly news: LiveNews };
}

/** What it asks to be zeroed. */
export interface ZeroRequest {
  readonly zeroInstrument: string;
}

const isZero = (message: unknown): message is ZeroRequest =>
  typeof message === 'object' && message !== null && 'zeroInstrument' in message;
const isRequest = (message: unknown): message is InstrumentRequest =>
  typeof message === 'object' && message !== null && 'instrument' in message;
const isAnswer = (message: unknown): message is InstrumentAnswer =>
  typeof message === 'object' && message !== null && 'instrumentNews' in message;

/** In the first process: what the others watch. */
export class InstrumentsForOthers {
  readonly #live = new LiveInstruments();
  /** By the process that asked, and its number. */
  readonly #ends = new Map<number, Map<number, () => void>>();

  /** @param tell Sends to the process that asked. */
  hear(worker: number, message: unknown, tell: (answer: InstrumentAnswer) => void): void {
    if (isZero(message)) return this.#live.zero(message.zeroInstrument);
    if (!isRequest(message)) return;
    const { id, watch } = message.instrument;
    const own = this.#ends.get(worker) ?? new Map<number, () => void>();
    this.#ends.set(worker, own);
    own.get(id)?.();
    own.delete(id);
    if (!watch) return;
    const { instrument, use, owner } = watch;
    own.set(
      id,
      this.#live.watch(instrument, use, owner, (news) => tell({ instrumentNews: { id, news } })),
    );
  }
  /** A process has ended: nobody watches for it any more. */
  forget(worker: number): void {
    for (const end of this.#ends.get(worker)?.values() ?? []) end();
    this.#ends.delete(worker);
  }
  closeAll(): void {
    this.#live.closeAll();
  }
}

/** In a process beside others: watches through the first one. */
export class InstrumentsOfFirst implements InstrumentWatching {
  readonly #watchers = new Map<number, (news: LiveNews) => void>();
  #next = 1;

  /** @param ask Sends to the first process. */
  constructor(private readonly ask: (request: InstrumentRequest | ZeroRequest) => void) {}

  watch(instrument: LiveInstrument, use: InstrumentFunction, owner: string, watcher: (news: LiveNews) => void) {
    const id = this.#next++;
    this.#watchers.set(id, watcher);
    this.ask({ instrument: { id, watch: { instrument, use, owner } } });
    return () => {
      if (this.#watchers.delete(id)) this.ask({ instrument: { id, watch: null } });
    };
  }
  zero(key: string): void {
    this.ask({ zeroInstrument: key });
  }
  hear(message: unknown): void {
    if (isAnswer(message)) this.#watchers.get(message.instrumentNews.id)?.(message.instrumentNews.news);
  }
  closeAll(): void {
    for (const id of this.#watchers.keys()) this.ask({ instrument: { id, watch: null } });
    this.#watchers.clear();
  }
}
