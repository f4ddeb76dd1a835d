import { shopId } from '@tetrad/contracts';
import { cp, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import { judge } from '@tetrad/core';
import { DEMO_JOBS } from '../src/demo/demo-jobs';
import { demoCase, loadDemo } from '../src/demo/load-demo';
import { migrate } from '../src/platform/database/migrate';
import { ensureAppRole } from '../src/platform/database/app-role';
import { isUnavailable } from '../src/platform/database/unavailable';
import { Pool, inTransaction } from '../src/platform/database/pool';
import { inShop } from '../src/platform/database/working-shop';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';
import { MIGRATIONS, newDatabase } from './databases';

const silent = pino({ level: 'silent' });

/** A new database, empty, as its owner sees it. */
async function ownersPool(): Promise<Pool> {
  const address = await newDatabase();
  await ensureAppRole(address);
  return new Pool(address, silent, { isPatient: true });
}

describe('migrations', () => {
  it('run once, in order, and are all or nothing', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'migrations-'));
    await cp(MIGRATIONS, folder, { recursive: true });
    const pool = await ownersPool();
    try {
      const first = await migrate(pool, folder);
      expect(first).toContain('0001_first.sql');
      expect(await migrate(pool, folder)).toEqual([]);
      await writeFile(join(folder, '9001_half.sql'), 'CREATE TABLE half (x int); SELECT no_such_thing;');
      await expect(migrate(pool, folder)).rejects.toThrow(/no_such_thing/);
      await expect(pool.query('SELECT * FROM half')).rejects.toThrow(/does not exist/);
      await rm(join(folder, '9001_half.sql'));
      await pool.query(`INSERT INTO migration (name) VALUES ('9999_future.sql')`);
      await expect(migrate(pool, folder)).rejects.toThrow(/newer version.*9999_future/);
    } finally {
      await pool.end();
      await rm(folder, { recursive: true });
    }
  });

  it('key every table of records by its shop first', async () => {
    const pool = await ownersPool();
    await migrate(pool, MIGRATIONS);
    const { rows } = await pool.query<{ table: string; first: string }>(
      `SELECT c.relname AS table, a.attname AS first FROM pg_index i JOIN pg_class c ON c.oid = i.indrelid
         JOIN pg_namespace n ON n.oid = c.relnamespace AND n.nspname = 'public'
         JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum = i.indkey[0] WHERE i.indisprimary AND c.relname NOT IN ('migration', 'wakeup')`, // neither holds records of a shop
    );
    await pool.end();
    expect(rows.length).toBeGreaterThan(5);
    expect(rows.filter(({ first }) => first !== 'shop_id')).toEqual([]);
  });
});

describe('a database connection that is cut', () => {
  const cut = (admin: Pool, pid: number) => admin.query('SELECT pg_terminate_backend($1)', [pid]);

  it('in the middle of a transaction, between two statements: that work fails as “away”, the server lives on', async () => {
    const app = await startApplication();
    const admin = new Pool(process.env['TETRAD_TEST_CLUSTER']!, silent, { isPatient: true });
    try {
      const failed = await inTransaction(app.pool, async (sql) => {
        const { rows } = await sql.query<{ pid: number }>('SELECT pg_backend_pid() AS pid');
        await cut(admin, rows[0]!.pid);
        await new Promise((resolve) => setTimeout(resolve, 200)); // the loss arrives while nothing is asked
        await sql.query('SELECT 1');
      }).catch((error: unknown) => error);
      expect(isUnavailable(failed)).toBe(true);
      expect((await app.ask('POST', '/api/shops/one/jobs', jobBody())).status).toBe(201);
    } finally {
      await admin.end();
      await app.close();
    }
  });

  it('while a write waits for a lock: 503, nothing stored, and the same again is stored once', async () => {
    const app = await startApplication();
    const admin = new Pool(process.env['TETRAD_TEST_CLUSTER']!, silent, { isPatient: true });
    const body = jobBody();
    const reading = readingBody('resting-voltage', 12.6);
    try {
      await app.ask('POST', '/api/shops/one/jobs', body);
      const path = `/api/shops/one/jobs/${body.id}/readings`;
      const answer = await inShop(shopId('one'), () =>
        inTransaction(app.pool, async (sql) => {
          await sql.query('SELECT 1 FROM job WHERE job_id = $1 FOR UPDATE', [body.id]);
          const waiting = app.ask('POST', path, reading);
          await waitingBackend(admin, body.id, databaseOf(app)).then((pid) => cut(admin, pid));
          return waiting;
        }),
      );
      expect(answer).toMatchObject({ status: 503, body: { type: expect.stringContaining('database-away') } });
      const again = await app.ask('POST', path, reading);
      expect(again.status).toBe(201);
      expect(again.body.case.readings).toHaveLength(1);
    } finally {
      await admin.end();
      await app.close();
    }
  });

  /** Of this database alone: others wait for locks of theirs. */
  async function waitingBackend(admin: Pool, job: string, database: string): Promise<number> {
    for (let i = 0; i < 100; i++) {
      const { rows } = await admin.query<{ pid: number }>(
        `SELECT pid FROM pg_stat_activity
          WHERE wait_event_type = 'Lock' AND application_name = 'tetrad' AND datname = $1`,
        [database],
      );
      if (rows[0]) return rows[0].pid;
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    throw new Error(`nothing waits for the lock of job ${job}`);
  }
});

const databaseOf = ({ ownerUrl }: Application): string => new URL(ownerUrl).pathname.slice(1);

describe('the database away', () => {
  it('is a clear 503, the server lives on, and the same reading is stored once it is back', async () => {
    const app = await startApplication();
    const body = jobBody();
    await app.ask('POST', '/api/shops/one/jobs', body);
    const name = (await app.owner.query('SELECT current_database() AS name')).rows[0].name as string;
    const admin = new Pool(process.env['TETRAD_TEST_CLUSTER']!, silent, { isPatient: true });
    const reading = readingBody('resting-voltage', 12.6);
    try {
      await admin.query(`ALTER DATABASE ${name} ALLOW_CONNECTIONS false`);
      await admin.query('SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1', [name]);
      const away = await app.ask('POST', `/api/shops/one/jobs/${body.id}/readings`, reading);
      expect(away).toMatchObject({ status: 503, body: { detail: expect.stringContaining('Nothing was stored') } });
      expect((await app.ask('GET', '/api/ready')).status).toBe(503);
      expect((await app.ask('GET', '/api/health')).status).toBe(200);
      await admin.query(`ALTER DATABASE ${name} ALLOW_CONNECTIONS true`);
      expect((await app.ask('POST', `/api/shops/one/jobs/${body.id}/readings`, reading)).status).toBe(201);
    } finally {
      await admin.end();
      await app.close();
    }
  });
});

describe('the demo', () => {
  it('shows every verdict and every action, on about 12 vehicles and 21 jobs', () => {
    const judgements = DEMO_JOBS.map((job) => judge(demoCase(job, new Date())));
    expect(DEMO_JOBS).toHaveLength(21);
    expect(new Set(DEMO_JOBS.map(({ vehicle }) => vehicle.id)).size).toBe(12);
    expect([...new Set(judgements.map(({ decision }) => decision.action))].sort()).toEqual([
      'charge-first',
      'none-found',
      'repair',
      'repaired',
      'replace',
      'stop',
      'test-next',
    ]);
    expect(new Set(judgements.map(({ decision }) => decision.part))).toEqual(
      new Set(['battery', 'starter', 'alternator', 'connections', 'control', 'drain', null]),
    );
    const verdicts = judgements.flatMap(({ parts }) => Object.values(parts).map(({ verdict }) => verdict));
    expect([...new Set(verdicts)].sort()).toEqual([
      'charge-first',
      'keep',
      'not-proven',
      'not-tested',
      'repair',
      'replace',
    ]);
  });

  it('is loaded once, with times before now', async () => {
    const pool = await ownersPool();
    await migrate(pool, MIGRATIONS);
    expect(await loadDemo(pool, new Date())).toBe(59);
    expect(await loadDemo(pool, new Date())).toBe(0);
    const { rows } = await pool.query(
      'SELECT count(*) FILTER (WHERE opened_at > now()) AS future, count(*) AS all FROM job',
    );
    const captures = await pool.query<{ name: string; findings: string[] }>(
      `SELECT c.name, ARRAY(SELECT jsonb_array_elements(f.found->'findings')->>'finding') AS findings
         FROM capture c JOIN capture_found f USING (shop_id, capture_id)`,
    );
    await pool.end();
    expect(rows[0]).toEqual({ future: '0', all: '59' });
    expect(Object.fromEntries(captures.rows.map(({ name, findings }) => [name, findings]))).toMatchObject({
      'cold-start.csv': [],
      'before.csv': [],
      'after.csv': [],
      'compressions.tsv': expect.arrayContaining(['weak-cylinder']),
      'no-charge.csv': expect.arrayContaining(['not-charging']),
      'ripple.csv': ['diode-open'],
      'small-clamp.csv': expect.arrayContaining(['clamp-saturated']),
    });
  }, 60_000); // seven starts are simulated and taken apart
});
