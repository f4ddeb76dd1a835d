/**
 * The instruments that are read by this process: one connection each, however many watch. The first who watches chooses
 * the function; others see the same. Nothing is asked of an instrument that nobody watches.
 */
import type { InstrumentAddress, InstrumentFunction, LiveState } from '@tetrad/core';
import { InstrumentLink } from './instrument-link';

/** What a watcher is told. */
export type LiveNews = LiveState & {
  /** What the instrument is read for; another's choice where somebody else came first. */
  readonly use: InstrumentFunction;
  readonly identity: string | null;
  /** Who chose what it is read for. */
  readonly owner: string;
};
type Watcher = (news: LiveNews) => void;

interface Watched {
  readonly link: InstrumentLink;
  readonly use: InstrumentFunction;
  readonly owner: string;
  readonly watchers: Set<Watcher>;
  last: LiveState;
}

/** How an instrument is reached and read. */
export interface LiveInstrument {
  /** Of shop and instrument together. */
  readonly key: string;
  readonly address: InstrumentAddress;
  readonly millivoltsPerAmp: number | null;
}

/** Who can be asked for the values of instruments. */
export interface InstrumentWatching {
  /** @returns the call that ends watching. */
  watch(instrument: LiveInstrument, use: InstrumentFunction, owner: string, watcher: Watcher): () => void;
  /** Zeroes an instrument that is read just now; another is left as it is. */
  zero(key: string): void;
  closeAll(): void;
}

export class LiveInstruments implements InstrumentWatching {
  readonly #watched = new Map<string, Watched>();

  get open(): number {
    return this.#watched.size;
  }

  /** @returns the call that ends watching; with the last watcher the connection ends. */
  watch(instrument: LiveInstrument, use: InstrumentFunction, owner: string, watcher: Watcher): () => void {
    const watched = this.#watched.get(instrument.key) ?? this.#begin(instrument, use, owner);
    watched.watchers.add(watcher);
    watcher(newsOf(watched));
    return () => {
      watched.watchers.delete(watcher);
      if (watched.watchers.size > 0 || this.#watched.get(instrument.key) !== watched) return;
      this.#watched.delete(instrument.key);
      watched.link.close();
    };
  }

  zero(key: string): void {
    this.#watched.get(key)?.link.zero();
  }

  closeAll(): void {
    for (const { link } of this.#watched.values()) link.close();
    this.#watched.clear();
  }

  #begin({ key, address, millivoltsPerAmp }: LiveInstrument, use: InstrumentFunction, owner: string): Watched {
    const scale = use === 'amps-dc' ? millivoltsPerAmp : null;
    const begun: { watched: Watched | null } = { watched: null };
    const onState = (state: LiveState): void => {
      const { watched } = begun;
      if (!watched) return; // it is told with the first news
      watched.last = state;
      for (const watcher of [...watched.watchers]) watcher(newsOf(watched));
    };
    const link = new InstrumentLink(address, use, { onState }, scale);
    const watched: Watched = { link, use, owner, watchers: new Set(), last: { state: 'connecting' } };
    begun.watched = watched;
    this.#watched.set(key, watched);
    return watched;
  }
}

const newsOf = ({ last, use, owner, link }: Watched): LiveNews => ({ ...last, use, owner, identity: link.identity });
