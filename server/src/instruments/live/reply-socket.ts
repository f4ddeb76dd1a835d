/** A TCP connection to an instrument that is asked one thing after the other: answers of one line, or a block of bytes. */
import { connect } from 'node:net';
import type { Socket } from 'node:net';
import type { InstrumentAddress } from '@tetrad/core';

const CONNECT_MS = 3000;
/** No answer of one line is longer, bytes. */
const MAX_LINE = 400;
const LINE_END = 0x0a;
const BLOCK_MARK = 0x23;

/** What an instrument did that it should not: the text goes on with its name before it. */
export class InstrumentFault extends Error {}

export class ReplySocket {
  #socket: Socket;
  #bytes = Buffer.alloc(0);
  #ended: Error | null = null;
  #waiting: (() => void) | null = null;

  constructor({ host, port }: InstrumentAddress) {
    this.#socket = connect({ host, port, noDelay: true });
    const late = setTimeout(
      () => this.#end(new InstrumentFault(`it did not answer within ${CONNECT_MS / 1000} s`)),
      CONNECT_MS,
    );
    this.#socket.once('connect', () => clearTimeout(late));
    this.#socket.on('data', (data: Buffer) => {
      this.#bytes = Buffer.concat([this.#bytes, data]);
      this.#wake();
    });
    this.#socket.on('error', (error) => this.#end(new InstrumentFault(`it cannot be reached (${error.message})`)));
    this.#socket.on('close', () => this.#end(new InstrumentFault('it cut the connection')));
  }

  send(line: string): void {
    this.#socket.write(`${line}\n`);
  }

  /** Asks for one line. @param withinMs How long the answer may take. @throws InstrumentFault */
  async ask(question: string, withinMs: number): Promise<string> {
    this.send(question);
    const end = await this.#until(() => this.#bytes.indexOf(LINE_END), MAX_LINE, withinMs);
    return this.#take(end + 1)
      .toString('latin1')
      .trim();
  }

  /**
   * Asks for a block of a definite length (IEEE 488.2-1992, 8.7.9).
   *
   * @param maxBytes A longer one is refused.
   * @throws InstrumentFault
   */
  async askBlock(question: string, maxBytes: number, withinMs: number): Promise<Buffer> {
    this.send(question);
    await this.#until(() => (this.#bytes.length >= 2 ? 0 : -1), MAX_LINE, withinMs);
    const digits = Number(String.fromCharCode(this.#bytes[1]!));
    if (this.#bytes[0] !== BLOCK_MARK || !(digits >= 1 && digits <= 9))
      throw new InstrumentFault('it did not answer with a block of samples (#8 and eight digits)');
    await this.#until(() => (this.#bytes.length >= 2 + digits ? 0 : -1), MAX_LINE, withinMs);
    const text = this.#bytes.subarray(2, 2 + digits).toString('latin1');
    const length = Number(text);
    if (!/^\d+$/.test(text) || length > maxBytes)
      throw new InstrumentFault(`it announced ${text} bytes; at most ${maxBytes} are read`);
    const whole = 2 + digits + length + 1; // a line end closes it
    await this.#until(() => (this.#bytes.length >= whole ? 0 : -1), whole + MAX_LINE, withinMs);
    return this.#take(whole).subarray(2 + digits, 2 + digits + length);
  }

  close(why = new InstrumentFault('the recording was canceled')): void {
    this.#end(why);
  }

  #take(count: number): Buffer {
    const taken = this.#bytes.subarray(0, count);
    this.#bytes = this.#bytes.subarray(count);
    return taken;
  }
  #end(why: Error): void {
    this.#ended ??= why;
    this.#socket.destroy();
    this.#wake();
  }
  #wake(): void {
    this.#waiting?.();
  }

  /** Waits until something is found in what came. */
  async #until(find: () => number, maxBytes: number, withinMs: number): Promise<number> {
    const byMs = Date.now() + withinMs;
    for (;;) {
      const found = find();
      if (found >= 0) return found;
      if (this.#ended) throw this.#ended;
      if (this.#bytes.length > maxBytes) throw new InstrumentFault('it says more than an answer can be');
      const left = byMs - Date.now();
      if (left <= 0) throw new InstrumentFault(`it did not answer within ${withinMs / 1000} s`);
      await new Promise<void>((resolve) => {
        const late = setTimeout(resolve, left);
        this.#waiting = () => {
          clearTimeout(late);
          resolve();
        };
      });
      this.#waiting = null;
    }
  }
}
