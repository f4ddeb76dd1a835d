/** Removes what one cluster still has of a shop that another keeps. */
import type { ShopId } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';

/** Tables with a shop in their key, those that others refer to last. */
const TABLES = `WITH RECURSIVE part AS (
    SELECT c.oid, c.relname FROM pg_class c
     WHERE c.relnamespace = 'public'::regnamespace AND c.relkind = 'r'
       AND EXISTS (SELECT FROM pg_attribute WHERE attrelid = c.oid AND attname = 'shop_id')),
  depth AS (
    SELECT oid, relname, 0 AS level FROM part
    UNION ALL
    SELECT part.oid, part.relname, depth.level + 1
      FROM depth JOIN pg_constraint f ON f.contype = 'f' AND f.confrelid = depth.oid AND f.conrelid <> f.confrelid
      JOIN part ON part.oid = f.conrelid)
  SELECT relname AS name FROM depth GROUP BY relname ORDER BY max(level) DESC`;

/** @param sql A transaction as the owner, for the shop: it alone may remove evidence, and only where it names the shop. */
export async function dropCopy(sql: Sql, shop: ShopId): Promise<void> {
  const { rows } = await sql.query<{ name: string }>(TABLES);
  // shop_home says which cluster keeps the shop: it is no copy
  const names = rows.map(({ name }) => name).filter((name) => name !== 'shop_home');
  await sql.query("SELECT set_config('tetrad.dropped_copy', $1, true)", [shop]);
  for (const name of names) await sql.query(`DELETE FROM ${name} WHERE shop_id = $1`, [shop]);
}
