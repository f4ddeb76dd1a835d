/** One simulated instrument on a TCP port: lines in, answers out, an error queue as SCPI-1999 has it (21.8). */
import { createServer } from 'node:net';
import type { AddressInfo, Server, Socket } from 'node:net';

/** What a command does; a query gives its answer. `argument` is what follows the header. */
export type Command = (argument: string) => string | Buffer | void | Promise<string>;
/** By header, in capitals: `CONF:VOLT:DC`, `READ?`. */
export type Commands = Readonly<Record<string, Command>>;

const UNDEFINED_HEADER = '-113,"Undefined header"';
const NO_ERROR = '0,"No error"';
const MAX_LINE = 1000;

export class ScpiServer {
  readonly #server: Server;
  readonly #sockets = new Set<Socket>();

  constructor(
    private readonly identity: readonly [string, string, string, string],
    private readonly commands: Commands,
  ) {
    this.#server = createServer((socket) => this.#serve(socket));
  }

  /** @param port 0 for any that is free. @returns the port. @throws where it is taken. */
  listen(port: number): Promise<number> {
    return new Promise((resolve, reject) => {
      this.#server.once('error', reject);
      this.#server.listen(port, '127.0.0.1', () => resolve((this.#server.address() as AddressInfo).port));
    });
  }
  async close(): Promise<void> {
    for (const socket of this.#sockets) socket.destroy();
    await new Promise((resolve) => this.#server.close(resolve));
  }

  #serve(socket: Socket): void {
    this.#sockets.add(socket);
    const errors: string[] = [];
    let rest = '';
    let queue: Promise<void> = Promise.resolve();
    socket.setEncoding('latin1');
    socket.on('error', () => socket.destroy());
    socket.on('close', () => this.#sockets.delete(socket));
    socket.on('data', (text: Buffer | string) => {
      rest += String(text);
      const lines = rest.split('\n');
      rest = lines.pop()!.slice(0, MAX_LINE);
      // one after the other: an answer never overtakes another
      for (const line of lines) queue = queue.then(() => this.#answer(line.trim(), socket, errors));
    });
  }

  async #answer(line: string, socket: Socket, errors: string[]): Promise<void> {
    const [header = '', ...words] = line.split(/\s+/);
    const name = header.toUpperCase().replace(/^:/, '');
    if (name === '') return;
    if (name === '*IDN?') return void socket.write(`${this.identity.join(',')}\n`);
    if (name === 'SYST:ERR?') return void socket.write(`${errors.shift() ?? NO_ERROR}\n`);
    if (name === '*CLS') return void errors.splice(0);
    const command = this.commands[name];
    if (!command) return void errors.push(UNDEFINED_HEADER);
    const answer = await command(words.join(' '));
    if (answer === undefined || socket.destroyed) return;
    socket.write(answer);
    socket.write('\n');
  }
}
