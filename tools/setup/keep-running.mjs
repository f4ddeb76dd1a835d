/** Keeps database and server running: what ends by itself is started again, but not for ever. */
import { setTimeout as wait } from 'node:timers/promises';
import { startServer, stopProcess } from './supervise.mjs';

/** Ends of one of the two within a minute that are taken for bad luck. */
const MOST_ENDS = 5;
const MINUTE_MS = 60_000;
/** PostgreSQL needs a moment until the processes of the one before are gone. */
const DATABASE_TRIES = 40;
const AGAIN_MS = 250;

export class KeepRunning {
  #cluster;
  #serving;
  #quiet;
  #mostEnds;
  #say;
  #giveUp;
  #ends = [];
  #server = null;
  #stopping = false;

  /**
   * @param {object} what
   * @param {import('./cluster.mjs').Cluster | null} what.cluster the private database, started; null for another's
   * @param {(text: string) => void} what.say tells what ended and is started again
   * @param {(why: string) => void} what.giveUp called once where it ends too often
   * @param {number} [what.mostEnds]
   * @param {boolean} [what.quiet] the server says nothing
   */
  constructor({ cluster, say, giveUp, mostEnds = MOST_ENDS, quiet = false }) {
    this.#cluster = cluster;
    this.#say = say;
    this.#giveUp = giveUp;
    this.#mostEnds = mostEnds;
    this.#quiet = quiet;
    if (cluster) this.#watchDatabase();
  }

  get serverPid() {
    return this.#server?.pid;
  }

  /** Starts the server and watches it. @returns {Promise<number>} its port */
  async serve(environment) {
    this.#serving = environment;
    return this.#startServer();
  }

  async stop() {
    this.#stopping = true;
    if (this.#server) await stopProcess(this.#server);
    await this.#cluster?.stop();
  }

  async #startServer() {
    const { child, port } = await startServer(this.#serving, {
      quiet: this.#quiet,
      onSpawn: (spawned) => (this.#server = spawned),
    });
    child.once('exit', (code, signal) => {
      if (this.#stopping || !this.#mayStartAgain(`the server process ended with ${signal ?? code}`)) return;
      this.#startServer().catch((error) => this.#giveUp(error.message));
    });
    return port;
  }

  #watchDatabase() {
    this.#cluster.onExit((code, signal) => {
      if (this.#stopping || !this.#mayStartAgain(`the database process ended with ${signal ?? code}`)) return;
      this.#startDatabase().catch((error) => this.#giveUp(error.message));
    });
  }

  async #startDatabase() {
    for (let left = DATABASE_TRIES; ; left--) {
      try {
        await this.#cluster.start(this.#cluster.port);
        break;
      } catch (error) {
        if (left === 0 || this.#stopping) throw error;
        await wait(AGAIN_MS);
      }
    }
    this.#watchDatabase();
  }

  #mayStartAgain(what) {
    const now = Date.now();
    this.#ends = [...this.#ends.filter((at) => now - at < MINUTE_MS), now];
    if (this.#ends.length > this.#mostEnds) {
      this.#giveUp(`${what}, and something ended ${this.#ends.length} times within a minute`);
      return false;
    }
    this.#say(`${what}; it is started again.`);
    return true;
  }
}
