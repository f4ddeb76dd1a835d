/** The database that a command of the administrator works on: one that is named, or the private one of this checkout. */
import { existsSync } from 'node:fs';
import { readFile, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Cluster, clusterFolder } from '../setup/cluster.mjs';
import { holderOf, takeLock } from '../setup/folder-lock.mjs';
import { ROOT } from '../setup/root.mjs';
import { SetupError } from '../setup/steps.mjs';

/** Where a running application leaves its database's address, for its own user alone. */
const addressFile = () => join(dirname(clusterFolder(ROOT)), 'address');

export const leaveAddress = (address) => writeFile(addressFile(), address, { mode: 0o600 });
/** Only by the application that left it: a start that was refused has none of its own. */
export const takeAddress = () => rm(addressFile(), { force: true });

async function answers(address) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: address, connectionTimeoutMillis: 2000 });
  try {
    await client.connect();
    return true;
  } catch {
    return false;
  } finally {
    await client.end().catch(() => undefined);
  }
}

/**
 * Does the work with the owner's address. A private database that does not run is started for it.
 *
 * @template T
 * @param {(address: string, how: { isRunning: boolean }) => Promise<T>} work
 * @returns {Promise<T>}
 */
export async function withDatabase(work) {
  const named = process.env.TETRAD_DATABASE_URL;
  if (named) return work(named, { isRunning: true });
  const folder = clusterFolder(ROOT);
  if (!existsSync(join(folder, 'PG_VERSION')))
    throw new SetupError(`there is no database in ${folder} yet: start Tetrad once, or set TETRAD_DATABASE_URL.`);
  const lock = await takeLock('run');
  if (!lock) return work(await addressOfRunning(), { isRunning: true });
  const cluster = new Cluster(folder);
  try {
    await cluster.create();
    await cluster.start();
    return await work(cluster.url(), { isRunning: false });
  } finally {
    await cluster.stop();
    await lock.release();
  }
}

async function addressOfRunning() {
  const address = (await readFile(addressFile(), 'utf8').catch(() => '')).trim();
  if (address && (await answers(address))) return address;
  const { pid } = (await holderOf('run')) ?? {};
  throw new SetupError(
    `process ${pid ?? '?'} is just starting or stopping the database of this folder: try again in a moment.`,
  );
}
