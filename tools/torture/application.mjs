/** The built application on a cluster of its own, kept running, to be hurt. */
import pg from 'pg';
import { temporaryCluster } from '../setup/cluster.mjs';
import { KeepRunning } from '../setup/keep-running.mjs';
import { freePort } from '../setup/ports.mjs';
import { ROOT } from '../setup/root.mjs';
import { run } from '../setup/run.mjs';
import { serverEnvironment } from '../setup/supervise.mjs';

export const SHOP = 'yard';

/**
 * @template T
 * @param {(app: Awaited<ReturnType<typeof open>>) => Promise<T>} work
 * @returns {Promise<T>}
 */
export async function withApplication(work) {
  const app = await open();
  try {
    return await work(app);
  } finally {
    await app.close();
  }
}

async function open() {
  const cluster = await temporaryCluster();
  await cluster.createDatabase();
  const env = { ...serverEnvironment(cluster.url(), await freePort()), TETRAD_LOG_LEVEL: 'silent' };
  const printed = await run(process.execPath, ['dist/server/prepare.mjs', '--demo'], { cwd: ROOT, env });
  const keeper = new KeepRunning({
    cluster,
    say: () => undefined,
    giveUp: (why) => console.error(`torture: ${why}`),
    mostEnds: Infinity,
    quiet: true,
  });
  const port = await keeper.serve({
    ...env,
    TETRAD_DATABASE_URL: JSON.parse(printed).address,
    TETRAD_DEMO_DOOR: 'loopback',
    TETRAD_REQUESTS_A_SECOND: '100000',
  });
  const url = `http://127.0.0.1:${port}`;
  const signedIn = await fetch(`${url}/api/session/demo`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: '{}',
  });
  const cookie = signedIn.headers.getSetCookie()[0].split(';')[0];
  const admin = async (statement, values) => {
    const client = new pg.Client({ connectionString: cluster.url() });
    client.on('error', () => undefined);
    await client.connect();
    try {
      return (await client.query(statement, values)).rows;
    } finally {
      await client.end().catch(() => undefined);
    }
  };
  return {
    url,
    cookie,
    admin,
    serverPid: () => keeper.serverPid,
    ask: (method, path, body, more = {}) =>
      fetch(`${url}/api/shops/${SHOP}${path}`, {
        method,
        headers: { cookie, 'content-type': 'application/json', ...more },
        ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
      }),
    killServer: () => process.kill(keeper.serverPid, 'SIGKILL'),
    killDatabase: () => process.kill(cluster.pid, 'SIGKILL'),
    cutConnections: () =>
      admin("SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE application_name LIKE 'tetrad%'"),
    databaseUrl: cluster.url(),
    async close() {
      await keeper.stop();
      await cluster.remove();
    },
  };
}
