/**
 * What is said to an instrument that is read live, over whatever line: who it is, then its function, then its value at most
 * twenty times a second (docs/instruments.md). What it says unasked, twice or garbled is counted and ignored.
 */
import { NO_INSTRUMENT, parseIdentity } from './identity';
import { INSTRUMENT_FUNCTIONS } from './instrument-functions';
import type { InstrumentFunction } from './instrument-functions';
import { parseScpiNumber } from './scpi-number';
import { LOST_MS } from './steadiness';

/** Between two questions, ms. */
const PACE_MS = 50;

/** What is known of the instrument at one moment. */
export type LiveState =
  | { readonly state: 'connecting' }
  | { readonly state: 'value'; readonly value: number; readonly resolution: number }
  | { readonly state: 'over-range' }
  | { readonly state: 'lost'; readonly why: string };

/** The line to the instrument, and a clock. */
export interface InstrumentLine {
  readonly send: (line: string) => void;
  /** Does something later. @returns the call that keeps it from being done. */
  readonly after: (ms: number, work: () => void) => () => void;
}

export interface DialogueEvents {
  /** Each value as it comes. */
  readonly onState: (state: LiveState) => void;
  /** It does not answer, or is no instrument: nothing more is asked. */
  readonly onLost: (why: string) => void;
}

export class InstrumentDialogue {
  #identity: string | null = null;
  #phase: 'identify' | 'read' = 'identify';
  #isWaiting = false;
  #stopWaiting = (): void => undefined;
  #stopPause = (): void => undefined;
  #hasEnded = false;
  #strays = 0;
  #values = 0;

  /** @param scale Of a clamp that gives volts: its millivolts for each ampere; null for one that gives amps. */
  constructor(
    private readonly use: InstrumentFunction,
    private readonly line: InstrumentLine,
    private readonly events: DialogueEvents,
    private readonly scale: number | null = null,
  ) {}

  /** The four fields of `*IDN?`, joined; null until it has told. */
  get identity(): string | null {
    return this.#identity;
  }
  /** Lines that were no answer to anything, or none that could be read. */
  get strays(): number {
    return this.#strays;
  }
  get values(): number {
    return this.#values;
  }

  begin(): void {
    this.#ask('*IDN?');
  }
  end(): void {
    this.#hasEnded = true;
    this.#stopWaiting();
    this.#stopPause();
  }
  /** Says something that has no answer, such as to zero itself, once it is known. */
  say(line: string): void {
    if (!this.#hasEnded && this.#phase === 'read') this.line.send(line);
  }
  /** Something came that is no line. */
  hearGarbage(): void {
    this.#strays++;
  }

  hear(line: string): void {
    if (this.#hasEnded) return;
    if (!this.#isWaiting) return void this.#strays++; // nobody asked
    if (this.#phase === 'identify') return this.#identify(line);
    const answer = parseScpiNumber(line);
    if (answer.state === 'garbage') return void this.#strays++; // its answer may follow
    this.#answered();
    if (answer.state === 'value') {
      this.#values++;
      const per = this.scale === null ? 1 : 1000 / this.scale;
      this.events.onState({ state: 'value', value: answer.value * per, resolution: answer.resolution * per });
    } else if (answer.state === 'over-range') this.events.onState({ state: 'over-range' });
    this.#stopPause = this.line.after(PACE_MS, () => this.#ask(this.#function.query));
  }

  #identify(line: string): void {
    const identity = parseIdentity(line);
    if (identity === null) return this.#lost(NO_INSTRUMENT);
    this.#answered();
    this.#identity = identity;
    this.#phase = 'read';
    const { configure, query } = this.#function;
    if (configure !== null) this.line.send(configure);
    this.#ask(query);
  }

  #ask(question: string): void {
    if (this.#hasEnded) return;
    this.#isWaiting = true;
    this.line.send(question);
    this.#stopWaiting();
    this.#stopWaiting = this.line.after(LOST_MS, () => this.#lost(`it did not answer within ${LOST_MS / 1000} s`));
  }
  #answered(): void {
    this.#isWaiting = false;
    this.#stopWaiting();
  }
  #lost(why: string): void {
    if (this.#hasEnded) return;
    this.end();
    this.events.onLost(why);
  }
  /** A clamp that gives volts is asked for them. */
  get #function() {
    return INSTRUMENT_FUNCTIONS[this.use === 'amps-dc' && this.scale !== null ? 'volts-dc' : this.use];
  }
}
