import type { CriteriaView, NewCriteria, ShopId } from '@tetrad/contracts';
import type { CriteriaDocument } from '@tetrad/core';
import { isoTime } from '../platform/database/iso-time';
import type { Sql } from '../platform/database/pool';

/** Every version of the shop's own sets, the newest of each first. @param only The id of one set; null for all. */
export async function listOwnSets(
  sql: Sql,
  shop: ShopId,
  only: string | null = null,
): Promise<readonly CriteriaView[]> {
  const { rows } = await sql.query<CriteriaView>(
    `SELECT document, false AS "isShipped", made_by AS "madeBy", ${isoTime('made_at')} AS "madeAt", reason,
            in_force_by AS "inForceBy", ${isoTime('in_force_at')} AS "inForceAt",
            coalesce(in_force_at = max(in_force_at) OVER (PARTITION BY set_id), false) AS "isInForce"
       FROM criteria_set WHERE shop_id = $1 AND ($2::text IS NULL OR set_id = $2) ORDER BY set_id, version DESC`,
    [shop, only],
  );
  return rows;
}

/** The newest version of a set, in force or not; 0 where there is none. */
export async function newestVersion(sql: Sql, shop: ShopId, id: string): Promise<number> {
  const { rows } = await sql.query<{ readonly version: number | null }>(
    'SELECT max(version) AS version FROM criteria_set WHERE shop_id = $1 AND set_id = $2',
    [shop, id],
  );
  return rows[0]?.version ?? 0;
}

/** @returns false where that version is there already. */
export async function addVersion(
  sql: Sql,
  shop: ShopId,
  { document, reason }: Pick<NewCriteria, 'document' | 'reason'>,
  by: string,
): Promise<boolean> {
  const { rowCount } = await sql.query(
    `INSERT INTO criteria_set (shop_id, set_id, version, document, reason, made_by) VALUES ($1, $2, $3, $4, $5, $6)
     ON CONFLICT DO NOTHING`,
    [shop, document.id, document.version, document, reason?.trim() || null, by],
  );
  return rowCount === 1;
}

/** Puts a version in force; from then on jobs of that set are judged by it. @returns false where there is none. */
export async function putInForce(sql: Sql, shop: ShopId, id: string, version: number, by: string): Promise<boolean> {
  const { rowCount } = await sql.query(
    `UPDATE criteria_set SET in_force_at = clock_timestamp(), in_force_by = $4
      WHERE shop_id = $1 AND set_id = $2 AND version = $3`,
    [shop, id, version, by],
  );
  return rowCount === 1;
}

/** The version of a set that is in force. */
export async function versionInForce(sql: Sql, shop: ShopId, id: string): Promise<number | null> {
  const { rows } = await sql.query<{ readonly version: number }>(
    `SELECT version FROM criteria_set WHERE shop_id = $1 AND set_id = $2 AND in_force_at IS NOT NULL
      ORDER BY in_force_at DESC LIMIT 1`,
    [shop, id],
  );
  return rows[0]?.version ?? null;
}

export async function findVersion(
  sql: Sql,
  shop: ShopId,
  id: string,
  version: number,
): Promise<CriteriaDocument | null> {
  const { rows } = await sql.query<{ readonly document: CriteriaDocument }>(
    'SELECT document FROM criteria_set WHERE shop_id = $1 AND set_id = $2 AND version = $3',
    [shop, id, version],
  );
  return rows[0]?.document ?? null;
}

/** Ids of the shop's own sets that have a version in force. */
export async function setsInForce(sql: Sql, shop: ShopId): Promise<readonly string[]> {
  const { rows } = await sql.query<{ readonly id: string }>(
    'SELECT DISTINCT set_id AS id FROM criteria_set WHERE shop_id = $1 AND in_force_at IS NOT NULL ORDER BY set_id',
    [shop],
  );
  return rows.map(({ id }) => id);
}

export async function usualCriteria(sql: Sql, shop: ShopId): Promise<string> {
  const { rows } = await sql.query<{ readonly id: string }>(
    'SELECT usual_criteria AS id FROM shop WHERE shop_id = $1',
    [shop],
  );
  return rows[0]!.id;
}
export async function chooseUsual(sql: Sql, shop: ShopId, id: string): Promise<void> {
  await sql.query('UPDATE shop SET usual_criteria = $2 WHERE shop_id = $1', [shop, id]);
}
