/** Databases of the tests' own cluster: empty ones, and copies of one that is prepared once for all test files. */
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import pino from 'pino';
import { ensureAppRole } from '../src/platform/database/app-role';
import { migrate } from '../src/platform/database/migrate';
import { Pool } from '../src/platform/database/pool';

export const MIGRATIONS = 'server/src/platform/database/migrations';

const addressOf = (name: string): string => process.env['TETRAD_TEST_CLUSTER']!.replace(/\/postgres$/, `/${name}`);

async function asAdmin<T>(work: (admin: pg.Client) => Promise<T>): Promise<T> {
  const admin = new pg.Client({ connectionString: process.env['TETRAD_TEST_CLUSTER']! });
  await admin.connect();
  return work(admin).finally(() => admin.end());
}

/** @param like A database to copy; without it the new one is empty. */
export async function newDatabase(like?: string): Promise<string> {
  const name = `t_${randomUUID().replaceAll('-', '')}`;
  // with nothing to sync, copying files is faster than writing all of them to the log as well
  await asAdmin((admin) => admin.query(`CREATE DATABASE ${name} ${like ? `TEMPLATE ${like} STRATEGY FILE_COPY` : ''}`));
  return addressOf(name);
}

/** Makes the application's role, and runs all migrations. */
export async function migrated(owner: string): Promise<void> {
  await ensureAppRole(owner);
  const pool = new Pool(owner, pino({ level: 'silent' }), { isPatient: true });
  await migrate(pool, MIGRATIONS);
  await pool.end();
}

/** Any fixed number: of the test files that need a template at once, one makes it. */
const LOCK = 90_417;

/** @returns The name of a database that was filled once, to be copied. */
export async function template(name: string, fill: (owner: string) => Promise<void>): Promise<string> {
  const database = `template_${name}`;
  await asAdmin(async (admin) => {
    await admin.query('SELECT pg_advisory_lock($1)', [LOCK]);
    const there = await admin.query('SELECT FROM pg_database WHERE datname = $1', [database]);
    if (there.rowCount === 1) return;
    const making = await newDatabase();
    await fill(making);
    await admin.query(`ALTER DATABASE ${new URL(making).pathname.slice(1)} RENAME TO ${database}`);
  });
  return database;
}
