/**
 * Brings a database up to date: the application's role, migrations, the demo where it is asked for and absent, and in
 * an empty database the first shop with its administrator.
 */
import 'reflect-metadata';
import pino from 'pino';
import { readConfig } from './config';
import { connectStandIns, loadDemo } from './demo/load-demo';
import { firstShop } from './people/first-shop';
import { migrate } from './platform/database/migrate';
import { appAddress, ensureAppRole } from './platform/database/app-role';
import { Pool } from './platform/database/pool';
import { Primary } from './platform/database/primary';

/** A further cluster has the same tables, and no shop until one is moved there. */
async function prepareCluster(database: string, standby: string | null): Promise<void> {
  const its = new Primary(database, standby);
  await its.find();
  await ensureAppRole(its.address);
  const owner = new Pool(its, pino({ level: 'error' }), { isPatient: true });
  await migrate(owner, config.migrationsFolder).finally(() => owner.end());
}

const words = new Set(process.argv.slice(2));
const config = readConfig(process.env);
const primary = new Primary(config.databaseUrl, config.standbyUrl);
await primary.find();
const pool = new Pool(primary, pino({ level: 'error' }), { isPatient: true });
try {
  const { rows } = await pool.query<{ server_version_num: string }>('SHOW server_version_num');
  const version = Number(rows[0]?.server_version_num);
  if (version < 150_000)
    throw new Error(`PostgreSQL ${Math.floor(version / 10_000)} is too old: 15 or newer is needed`);
  if (words.has('--reset')) await pool.query('DROP SCHEMA public CASCADE; CREATE SCHEMA public');
  await ensureAppRole(primary.address);
  if (words.has('--role-only')) process.exit(0);
  const ran = await migrate(pool, config.migrationsFolder);
  for (const { database, standby } of config.clusters.values()) await prepareCluster(database, standby);
  const loaded = words.has('--demo') ? await loadDemo(pool, new Date()) : 0;
  const standIns = process.env['TETRAD_STAND_INS'];
  if (words.has('--demo') && standIns) await connectStandIns(pool, JSON.parse(standIns) as Record<string, string>);
  const first = words.has('--demo') ? null : await firstShop(pool);
  console.log(
    JSON.stringify({
      migrations: ran.length,
      demoJobs: loaded,
      first,
      address: appAddress(config.databaseUrl),
      standby: config.standbyUrl && appAddress(config.standbyUrl),
    }),
  );
} catch (error) {
  console.error(error instanceof Error ? error.message : String(error));
  process.exitCode = 1;
} finally {
  await pool.end();
}
