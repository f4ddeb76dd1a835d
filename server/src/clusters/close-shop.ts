/** Closes a shop in one cluster: from then on no connection works for it there, and none that did is left. */
import type { ShopId } from '@tetrad/contracts';
import { setTimeout as wait } from 'node:timers/promises';
import { APP_ROLE } from '../platform/database/app-role';
import type { Sql } from '../platform/database/pool';

const AGAIN_MS = 50;
const PATIENCE_MS = 15_000;

/** Connections that work for the shop, by the lock that `open_shop` takes. */
const HOLDERS = `SELECT pg_terminate_backend(pid) FROM pg_locks
  WHERE locktype = 'advisory' AND objsubid = 1 AND granted AND pid <> pg_backend_pid()
    AND database = (SELECT oid FROM pg_database WHERE datname = current_database())
    AND ((classid::bigint << 32) | objid::bigint) = shop_lock($1)`;

/** @param sql As the owner, for the shop. @throws Error where connections that work for it do not end. */
export async function closeShop(sql: Sql, shop: ShopId): Promise<void> {
  await sql.query('INSERT INTO shop_closed (shop_id) VALUES ($1) ON CONFLICT DO NOTHING', [shop]);
  await sql.query(`GRANT ${APP_ROLE} TO CURRENT_USER`); // only then may one end its connections
  for (const end = Date.now() + PATIENCE_MS; Date.now() < end; await wait(AGAIN_MS))
    if ((await sql.query(HOLDERS, [shop])).rowCount === 0) return;
  throw new Error(`connections that work for ${shop} do not end`);
}

export const reopenShop = (sql: Sql, shop: ShopId): Promise<unknown> =>
  sql.query('DELETE FROM shop_closed WHERE shop_id = $1', [shop]);
