/** A TCP connection that speaks in lines. */
import { connect } from 'node:net';
import type { Socket } from 'node:net';
import { LineReader } from '@tetrad/core';
import type { InstrumentAddress } from '@tetrad/core';

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
    const lines = new LineReader({
      onLine: events.onLine,
      onGarbage: events.onGarbage,
      onFlood: () => this.#end('it says more than anybody can read'),
    });
    this.#socket.on('data', (text: Buffer | string) => {
      if (!this.#hasEnded) lines.push(String(text), Date.now());
    });
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
