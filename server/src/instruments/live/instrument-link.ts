/**
 * One instrument that is read live, for as long as somebody watches: who it is, then its function, then its value at most
 * twenty times a second (docs/instruments.md). What it says unasked, twice or garbled is counted and ignored; a connection
 * that is lost is made again with growing pauses.
 */
import { INSTRUMENT_FUNCTIONS, LOST_MS, parseScpiNumber } from '@tetrad/core';
import type { InstrumentAddress, InstrumentFunction } from '@tetrad/core';
import { LineSocket } from './line-socket';

/** Between two questions, ms. */
const PACE_MS = 50;
/** Pauses before the connection is made again, ms. */
const FIRST_PAUSE_MS = 500;
const MAX_PAUSE_MS = 30_000;
/** Who it is: maker, model, serial number, firmware (IEEE 488.2-1992, 10.14). */
const IDN_FIELDS = 4;

/** What is known of the instrument at one moment. */
export type LiveState =
  | { readonly state: 'connecting' }
  | { readonly state: 'value'; readonly value: number; readonly resolution: number }
  | { readonly state: 'over-range' }
  | { readonly state: 'lost'; readonly why: string };

export interface LinkCounts {
  readonly values: number;
  /** Lines that were no answer to anything, or none that could be read. */
  readonly strays: number;
  readonly reconnects: number;
}

export interface LinkEvents {
  /** Each value as it comes, and each change of what is known. */
  readonly onState: (state: LiveState) => void;
}

type Phase = 'identify' | 'read';

export class InstrumentLink {
  #socket: LineSocket | null = null;
  #idn: readonly string[] | null = null;
  #phase: Phase = 'identify';
  #isWaiting = false;
  #pause = FIRST_PAUSE_MS;
  #timers = new Set<NodeJS.Timeout>();
  #answerBy: NodeJS.Timeout | undefined;
  #isClosed = false;
  readonly #counts = { values: 0, strays: 0, reconnects: 0 };

  /** @param scale Of a clamp that gives volts: its millivolts for each ampere; null for one that gives amps. */
  constructor(
    private readonly address: InstrumentAddress,
    private readonly use: InstrumentFunction,
    private readonly events: LinkEvents,
    private readonly scale: number | null = null,
  ) {
    this.#open();
  }

  /** The four fields of `*IDN?`, joined; null until it has told. */
  get identity(): string | null {
    return this.#idn?.join(', ') ?? null;
  }
  get counts(): LinkCounts {
    return this.#counts;
  }

  close(): void {
    this.#isClosed = true;
    for (const timer of this.#timers) clearTimeout(timer);
    clearTimeout(this.#answerBy);
    this.#socket?.close();
  }

  #open(): void {
    this.#phase = 'identify';
    this.#isWaiting = false;
    this.events.onState({ state: 'connecting' });
    this.#socket = new LineSocket(this.address, {
      onOpen: () => this.#ask('*IDN?'),
      onLine: (line) => this.#hear(line),
      onGarbage: () => void this.#counts.strays++,
      onEnd: (why) => this.#lost(why),
    });
  }

  #after(ms: number, work: () => void): void {
    const timer = setTimeout(() => {
      this.#timers.delete(timer);
      if (!this.#isClosed) work();
    }, ms);
    this.#timers.add(timer);
  }

  #ask(question: string): void {
    this.#isWaiting = true;
    this.#socket?.send(question);
    clearTimeout(this.#answerBy);
    this.#answerBy = setTimeout(() => this.#lost(`it did not answer within ${LOST_MS / 1000} s`), LOST_MS);
  }

  #lost(why: string): void {
    if (this.#isClosed || this.#socket === null) return;
    clearTimeout(this.#answerBy);
    this.#socket.close();
    this.#socket = null;
    this.events.onState({ state: 'lost', why });
    this.#counts.reconnects++;
    this.#after(this.#pause, () => this.#open());
    this.#pause = Math.min(MAX_PAUSE_MS, this.#pause * 2);
  }

  #hear(line: string): void {
    if (!this.#isWaiting) return void this.#counts.strays++; // nobody asked
    if (this.#phase === 'identify') return this.#identify(line);
    const answer = parseScpiNumber(line);
    if (answer.state === 'garbage') return void this.#counts.strays++; // its answer may follow
    this.#answered();
    this.#pause = FIRST_PAUSE_MS;
    if (answer.state === 'value') {
      this.#counts.values++;
      const per = this.scale === null ? 1 : 1000 / this.scale;
      this.events.onState({ state: 'value', value: answer.value * per, resolution: answer.resolution * per });
    } else if (answer.state === 'over-range') this.events.onState({ state: 'over-range' });
    this.#after(PACE_MS, () => this.#read());
  }

  #identify(line: string): void {
    const fields = line.split(',').map((field) => field.trim());
    if (fields.length !== IDN_FIELDS) return this.#lost('what answers there is no instrument (IEEE 488.2, *IDN?)');
    this.#answered();
    this.#idn = fields;
    this.#phase = 'read';
    const { configure } = this.#function;
    if (configure !== null) this.#socket?.send(configure);
    this.#read();
  }

  #answered(): void {
    this.#isWaiting = false;
    clearTimeout(this.#answerBy);
  }
  #read(): void {
    if (this.#socket !== null) this.#ask(this.#function.query);
  }
  /** A clamp that gives volts is asked for them. */
  get #function() {
    return INSTRUMENT_FUNCTIONS[this.use === 'amps-dc' && this.scale !== null ? 'volts-dc' : this.use];
  }
}
