/** The built application, served with the demo's data, which a test may stop and start again. */
import type { ChildProcess } from 'node:child_process';
import { freePort } from '../tools/setup/ports.mjs';
import { ROOT } from '../tools/setup/root.mjs';
import { run } from '../tools/setup/run.mjs';
import { startStandIns } from '../tools/setup/stand-ins.mjs';
import { serverEnvironment, startServer, stopProcess } from '../tools/setup/supervise.mjs';
import { DemoDatabase } from './demo-data';

/** What a test sees of it: always at the same address. */
export interface Application {
  readonly url: string;
  readonly database: Pick<DemoDatabase, 'run'>;
  stop(): Promise<void>;
  /** @param door Where the demo lets people in; this machine where nothing is said. */
  start(door?: string): Promise<void>;
}

const USUAL_DOOR = 'loopback';

/** Connects the demo's instruments to the simulated ones, in the database of a server that is not started yet. */
async function connect(env: Record<string, string>, database: DemoDatabase): Promise<void> {
  const command = [`${ROOT}/dist/server/prepare.mjs`, '--demo'];
  await run(process.execPath, command, { cwd: ROOT, env: { ...env, TETRAD_DATABASE_URL: database.ownerAddress } });
}

export class ServedApplication implements Application {
  #child: ChildProcess | null = null;
  #door = USUAL_DOOR;

  private constructor(
    readonly url: string,
    readonly database: DemoDatabase,
    readonly env: Record<string, string>,
    readonly standIns: ChildProcess | null,
  ) {}

  /** Serves it, on a database of its own. */
  static async open({ withInstruments = false } = {}): Promise<ServedApplication> {
    const database = await DemoDatabase.create();
    const port = await freePort();
    const env: Record<string, string> = {
      ...serverEnvironment(database.address, port),
      TETRAD_LOG_LEVEL: 'error',
      TETRAD_REQUESTS_A_SECOND: '2000',
    };
    const standIns = withInstruments ? await startStandIns() : null;
    if (standIns) {
      env['TETRAD_STAND_INS'] = JSON.stringify(standIns.addresses);
      await connect(env, database);
    }
    const served = new ServedApplication(`http://127.0.0.1:${port}`, database, env, standIns?.child ?? null);
    await served.start();
    return served;
  }

  async stop(): Promise<void> {
    if (this.#child) await stopProcess(this.#child);
    this.#child = null;
  }

  async start(door = USUAL_DOOR): Promise<void> {
    const { child } = await startServer({ ...this.env, TETRAD_DEMO_DOOR: door }, { quiet: true });
    this.#child = child;
    this.#door = door;
  }

  /** As it was at first, for the next test: the server holds nothing that is not in its database. */
  async renew(): Promise<void> {
    await this.database.restore();
    if (this.#child && this.#door === USUAL_DOOR) return;
    await this.stop();
    await this.start();
  }

  async close(): Promise<void> {
    await this.stop();
    this.standIns?.kill();
  }
}
