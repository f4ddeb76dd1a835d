/** A TCP connection that speaks in lines: what is longer than a line can be, or comes in a flood, is counted and dropped. */
import { connect } from 'node:net';
import type { Socket } from 'node:net';
import type { InstrumentAddress } from '@tetrad/core';

/** No answer of an instrument that is read here is longer, characters. */
const MAX_LINE = 400;
/** An instrument that says more than this in a second is not one. */
const MAX_LINES_A_SECOND = 500;
const CONNECT_MS = 3000;

export interface LineEvents {
  readonly onOpen: () => void;
  readonly onLine: (line: string) => void;
  /** Something that is no line, or too many of them. */
  readonly onGarbage: () => void;
  /** It has ended, or never came to be; said once. */
  readonly onEnd: (why: string) => void;
}

export class LineSocket {
  readonly #socket: Socket;
  #rest = '';
  /** The line that is coming is too long: it is dropped up to its end. */
  #isDropping = false;
  #lines = 0;
  #since = Date.now();
  #hasEnded = false;

  constructor(
    { host, port }: InstrumentAddress,
    private readonly events: LineEvents,
  ) {
    this.#socket = connect({ host, port, noDelay: true });
    const late = setTimeout(() => this.#end(`it did not answer within ${CONNECT_MS / 1000} s`), CONNECT_MS);
    this.#socket.setEncoding('latin1');
    this.#socket.once('connect', () => {
      clearTimeout(late);
      events.onOpen();
    });
    this.#socket.on('data', (text: Buffer | string) => this.#take(String(text)));
    this.#socket.on('error', (error: NodeJS.ErrnoException) => this.#end(WHY[error.code ?? ''] ?? error.message));
    this.#socket.on('close', () => this.#end('the connection was closed'));
  }

  send(line: string): void {
    this.#socket.write(`${line}\n`);
  }
  close(): void {
    this.#hasEnded = true;
    this.#socket.destroy();
  }

  #end(why: string): void {
    if (this.#hasEnded) return;
    this.close();
    this.events.onEnd(why);
  }

  #take(text: string): void {
    for (const part of text.split(/(\n)/)) {
      if (this.#hasEnded) return;
      if (part === '\n') this.#finish();
      else if (!this.#isDropping) {
        this.#rest += part;
        if (this.#rest.length > MAX_LINE) {
          this.#rest = '';
          this.#isDropping = true;
          this.events.onGarbage();
        }
      }
    }
  }

  #finish(): void {
    const line = this.#rest.replace(/\r$/, '');
    this.#rest = '';
    if (this.#isDropping) {
      this.#isDropping = false;
      return;
    }
    if (this.#isFlood()) return this.#end('it says more than anybody can read');
    this.events.onLine(line);
  }

  #isFlood(): boolean {
    const now = Date.now();
    if (now - this.#since > 1000) {
      this.#since = now;
      this.#lines = 0;
    }
    return ++this.#lines > MAX_LINES_A_SECOND;
  }
}

const WHY: Readonly<Record<string, string>> = {
  ECONNREFUSED: 'nothing listens there',
  ENOTFOUND: 'there is no host of that name',
  EHOSTUNREACH: 'the host cannot be reached',
  ENETUNREACH: 'the network cannot be reached',
  ETIMEDOUT: 'it does not answer',
  ECONNRESET: 'it cut the connection',
  EPIPE: 'it cut the connection',
};
