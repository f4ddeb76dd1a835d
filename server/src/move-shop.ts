/** `SHOP --to CLUSTER`: moves a shop to another cluster, and prints what was moved as JSON. */
import 'reflect-metadata';
import { shopId } from '@tetrad/contracts';
import { parseArgs } from 'node:util';
import pino from 'pino';
import { readConfig } from './config';
import { Pool } from './platform/database/pool';
import { assertUpToDate } from './platform/database/up-to-date';
import { Primary } from './platform/database/primary';
import { FIRST_CLUSTER } from './clusters/clusters-file';
import { moveShop } from './clusters/move-shop';

const { positionals, values } = parseArgs({ allowPositionals: true, options: { to: { type: 'string', default: '' } } });
const config = readConfig(process.env);
const addresses = [
  [FIRST_CLUSTER, { database: config.databaseUrl, standby: config.standbyUrl }] as const,
  ...config.clusters,
];
const clusters = new Map<string, Pool>();
try {
  for (const [name, { database, standby }] of addresses) {
    const primary = new Primary(database, standby);
    await primary.find();
    const pool = new Pool(primary, pino({ level: 'error' }), { isPatient: true });
    clusters.set(name, pool);
    await assertUpToDate(pool, config.migrationsFolder);
  }
  const moved = await moveShop({ shop: shopId(positionals[0] ?? ''), to: values.to, clusters });
  process.stdout.write(JSON.stringify(moved));
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
} finally {
  for (const pool of clusters.values()) await pool.end();
}
