/** Verifies the audit log of every shop, or of one, and prints what was found as JSON. */
import { shopId } from '@tetrad/contracts';
import type { ShopId } from '@tetrad/contracts';
import pino from 'pino';
import { verifyAuditLog } from './audit-log/verify-audit-log';
import { readConfig } from './config';
import { assertUpToDate } from './platform/database/up-to-date';
import { Pool } from './platform/database/pool';
import { findShop } from './shops/shops.sql';
import { inShop } from './platform/database/working-shop';

const [word, name] = process.argv.slice(2);
const named = name === undefined ? undefined : shopId(name);
const config = readConfig(process.env);
const pool = new Pool(config.databaseUrl, pino({ level: 'error' }), { isPatient: true });
try {
  await assertUpToDate(pool, config.migrationsFolder);
  if (word !== undefined && (word !== '--shop' || !named))
    throw new Error(`unknown option ${word}: allowed is --shop ID`);
  if (named && !(await inShop(named, () => findShop(pool, named)))) throw new Error(`there is no shop ${named}`);
  const { rows } = await pool.query<{ shop: ShopId }>('SELECT shop_id AS shop FROM shop ORDER BY shop_id');
  const shops = named ? [named] : rows.map(({ shop }) => shop);
  const told = [];
  for (const shop of shops) told.push({ shop, ...(await inShop(shop, () => verifyAuditLog(pool))) });
  process.stdout.write(JSON.stringify(told));
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
} finally {
  await pool.end();
}
