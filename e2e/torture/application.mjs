/** The built application on a cluster of its own, kept running, to be hurt. */
import pg from 'pg';
import { temporaryCluster } from '../../tools/setup/cluster.mjs';
import { KeepRunning } from '../../tools/setup/keep-running.mjs';
import { freePort } from '../../tools/setup/ports.mjs';
import { ROOT } from '../../tools/setup/root.mjs';
import { run } from '../../tools/setup/run.mjs';
import { serverEnvironment } from '../../tools/setup/supervise.mjs';

export const SHOP = 'yard';

/**
 * @template T
 * @param {(app: Awaited<ReturnType<typeof open>>) => Promise<T>} work
 * @returns {Promise<T>}
 */
export async function withApplication(work) {
  const cluster = await temporaryCluster();
  await cluster.createDatabase();
  const app = await open(cluster);
  try {
    return await work({
      ...app,
      killServer: () => process.kill(app.serverPid(), 'SIGKILL'),
      killDatabase: () => process.kill(cluster.pid, 'SIGKILL'),
      cutConnections: () =>
        app.admin("SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE application_name LIKE 'tetrad%'"),
      databaseUrl: cluster.url(),
    });
  } finally {
    await app.close();
    await cluster.remove();
  }
}

/** @returns the cookie of a new session of the demo. */
export async function signIn(url) {
  const signedIn = await fetch(`${url}/api/session/demo`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: '{}',
  });
  return signedIn.headers.getSetCookie()[0].split(';')[0];
}

/**
 * Serves a database that is there.
 *
 * @param cluster where the tables are made
 * @param {object} [how]
 * @param {string} [how.standby] the address of a second host
 * @param {() => string} [how.now] the address of the host that takes writes now
 * @param {boolean} [how.isKept] whether the database is started again when it ends
 */
export async function open(cluster, { standby = '', now = () => cluster.url(), isKept = true } = {}) {
  const env = {
    ...serverEnvironment(cluster.url(), await freePort()),
    TETRAD_STANDBY_URL: standby,
    TETRAD_LOG_LEVEL: 'silent',
  };
  const printed = await run(process.execPath, ['dist/server/prepare.mjs', '--demo'], { cwd: ROOT, env });
  const prepared = JSON.parse(printed);
  const keeper = new KeepRunning({
    cluster: isKept ? cluster : null,
    say: () => undefined,
    giveUp: (why) => console.error(`torture: ${why}`),
    mostEnds: Infinity,
    quiet: true,
  });
  const port = await keeper.serve({
    ...env,
    TETRAD_DATABASE_URL: prepared.address,
    TETRAD_STANDBY_URL: prepared.standby ?? '',
    TETRAD_DEMO_DOOR: 'loopback',
    TETRAD_REQUESTS_A_SECOND: '100000',
  });
  const url = `http://127.0.0.1:${port}`;
  const cookie = await signIn(url);
  return {
    url,
    cookie,
    serverPid: () => keeper.serverPid,
    admin: (statement, values) => adminOf(now(), statement, values),
    ask: (method, path, body, more = {}) =>
      fetch(`${url}/api/shops/${SHOP}${path}`, {
        method,
        headers: { cookie, 'content-type': 'application/json', ...more },
        ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
      }),
    close: () => keeper.stop(),
  };
}

/** One statement as the owner. */
export async function adminOf(address, statement, values) {
  const client = new pg.Client({ connectionString: address });
  client.on('error', () => undefined);
  await client.connect();
  try {
    return (await client.query(statement, values)).rows;
  } finally {
    await client.end().catch(() => undefined);
  }
}
