/**
 * One instrument that is read live over TCP, for as long as somebody watches. A connection that is lost is made again with
 * growing pauses.
 */
import { InstrumentDialogue } from '@tetrad/core';
import type { InstrumentAddress, InstrumentFunction, LiveState } from '@tetrad/core';
import { LineSocket } from './line-socket';

/** Pauses before the connection is made again, ms. */
const FIRST_PAUSE_MS = 500;
const MAX_PAUSE_MS = 30_000;

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

export class InstrumentLink {
  #socket: LineSocket | null = null;
  #dialogue: InstrumentDialogue;
  #identity: string | null = null;
  #pause = FIRST_PAUSE_MS;
  #again: NodeJS.Timeout | undefined;
  #isClosed = false;
  readonly #before = { values: 0, strays: 0, reconnects: 0 };

  /** @param scale Of a clamp that gives volts: its millivolts for each ampere; null for one that gives amps. */
  constructor(
    private readonly address: InstrumentAddress,
    private readonly use: InstrumentFunction,
    private readonly events: LinkEvents,
    private readonly scale: number | null = null,
  ) {
    this.#dialogue = this.#open();
  }

  /** The four fields of `*IDN?`, joined; null until it has told. */
  get identity(): string | null {
    return this.#dialogue.identity ?? this.#identity;
  }
  get counts(): LinkCounts {
    const { values, strays, reconnects } = this.#before;
    return { values: values + this.#dialogue.values, strays: strays + this.#dialogue.strays, reconnects };
  }

  /** Has a clamp take what it shows just now for nothing (SCPI-1999, SENSe:ZERO). */
  zero(): void {
    this.#dialogue.say('SENS:ZERO:AUTO ONCE');
  }

  close(): void {
    this.#isClosed = true;
    clearTimeout(this.#again);
    this.#dialogue.end();
    this.#socket?.close();
  }

  #open(): InstrumentDialogue {
    this.events.onState({ state: 'connecting' });
    const dialogue = new InstrumentDialogue(
      this.use,
      { send: (line) => this.#socket?.send(line), after: later },
      {
        onState: (state) => {
          this.#pause = FIRST_PAUSE_MS; // it answers: also over range
          this.events.onState(state);
        },
        onLost: (why) => this.#lost(why),
      },
      this.scale,
    );
    this.#socket = new LineSocket(this.address, {
      onOpen: () => dialogue.begin(),
      onLine: (line) => dialogue.hear(line),
      onGarbage: () => dialogue.hearGarbage(),
      onEnd: (why) => this.#lost(why),
    });
    return dialogue;
  }

  #openAgain(): void {
    this.#identity = this.identity;
    this.#before.values += this.#dialogue.values;
    this.#before.strays += this.#dialogue.strays;
    this.#dialogue = this.#open();
  }

  #lost(why: string): void {
    if (this.#isClosed || this.#socket === null) return;
    this.#socket.close();
    this.#socket = null;
    this.#dialogue.end();
    this.events.onState({ state: 'lost', why });
    this.#before.reconnects++;
    this.#again = setTimeout(() => this.#openAgain(), this.#pause);
    this.#pause = Math.min(MAX_PAUSE_MS, this.#pause * 2);
  }
}

const later = (ms: number, work: () => void): (() => void) => {
  const timer = setTimeout(work, ms);
  return () => clearTimeout(timer);
};
