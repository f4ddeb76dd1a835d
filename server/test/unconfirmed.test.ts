/** A commit that the standby has not confirmed is never told as stored, the first time as little as when it is sent again. */
import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import pg from 'pg';
import { jobBody, startApplication } from './application';
import type { Application } from './application';

let cluster: ChildProcess;
let app: Application;
let admin: pg.Client;
beforeAll(async () => {
  cluster = spawn(process.execPath, ['server/test/own-cluster.mjs'], { stdio: ['pipe', 'pipe', 'inherit'] });
  const [printed] = (await once(cluster.stdout!, 'data')) as [Buffer];
  const url = printed.toString().trim();
  app = await startApplication(url);
  admin = new pg.Client({ connectionString: url });
  await admin.connect();
});
afterAll(async () => {
  await admin.end();
  await app.close();
  cluster.stdin!.end();
  await once(cluster, 'exit');
});

/** Every commit waits for a standby of this name; none where it is empty. */
async function waitFor(standby: string): Promise<void> {
  await admin.query(`ALTER SYSTEM SET synchronous_standby_names = '${standby}'`);
  await admin.query('SELECT pg_reload_conf()');
}
/** Cuts the wait of the application's commit short, as a time limit does. @returns how many were cut */
async function cutShort(): Promise<number> {
  for (let tries = 0; tries < 200; tries++) {
    const { rowCount } = await admin.query(
      "SELECT pg_cancel_backend(pid) FROM pg_stat_activity WHERE wait_event = 'SyncRep' AND application_name = 'tetrad'",
    );
    if (rowCount) return rowCount;
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  return 0;
}

it('is told as not known, and once it is confirmed as stored, once', async () => {
  const job = jobBody();
  const path = '/api/shops/one/jobs';
  expect((await app.ask('POST', path, job)).status).toBe(201);
  const id = randomUUID();
  const body = { reading: { id, test: 'resting-voltage', value: 12.6 } };
  const send = async () => {
    const answer = await fetch(`${app.url}${path}/${job.id}/readings`, {
      method: 'POST',
      headers: { cookie: app.cookieFor(path), 'content-type': 'application/json', 'idempotency-key': id },
      body: JSON.stringify(body),
    });
    return { status: answer.status, body: (await answer.json()) as { type: string; detail: string } };
  };
  const stored = async () => (await app.owner.query('SELECT 1 FROM reading WHERE reading_id = $1', [id])).rowCount;

  await waitFor('nobody');
  for (const attempt of ['first', 'again']) {
    const sent = send();
    expect([attempt, await cutShort()]).toEqual([attempt, 1]);
    const { status, body: told } = await sent;
    expect([attempt, status]).toEqual([attempt, 503]);
    expect(told.detail).toContain('not known');
    expect(await stored()).toBe(1); // on this host alone
  }
  await waitFor('');
  expect((await send()).status).toBe(201);
  expect(await stored()).toBe(1);
});
