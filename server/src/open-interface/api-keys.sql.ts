import type { ApiKeyView, KeyRole, NewApiKey, ShopId } from '@tetrad/contracts';
import { isoTime } from '../platform/database/iso-time';
import type { Sql } from '../platform/database/pool';

const COLUMNS = `key_id AS id, name, role, created_by AS "createdBy", ${isoTime('created_at')} AS "createdAt",
  ${isoTime('expires_at')} AS "expiresAt", ${isoTime('revoked_at')} AS "revokedAt", ${isoTime('used_at')} AS "usedAt"`;

/** The newest first; ended ones stay, so that the audit log's names are known. */
export async function listKeys(sql: Sql, shop: ShopId): Promise<readonly ApiKeyView[]> {
  const { rows } = await sql.query<ApiKeyView>(
    `SELECT ${COLUMNS} FROM api_key WHERE shop_id = $1 ORDER BY created_at DESC, key_id`,
    [shop],
  );
  return rows;
}

export async function addKey(
  sql: Sql,
  shop: ShopId,
  { id, name, role, days }: NewApiKey,
  { hash, by }: { readonly hash: Buffer; readonly by: string },
): Promise<void> {
  await sql.query(
    `INSERT INTO api_key (shop_id, key_id, name, token_hash, role, created_by, expires_at)
     VALUES ($1, $2, $3, $4, $5, $6, now() + make_interval(days => $7))`,
    [shop, id, name.trim(), hash, role, by, days],
  );
}

/** @returns false where there is no such key that is still good. */
export async function revokeKey(sql: Sql, shop: ShopId, id: string): Promise<boolean> {
  const { rowCount } = await sql.query(
    'UPDATE api_key SET revoked_at = now() WHERE shop_id = $1 AND key_id = $2 AND revoked_at IS NULL',
    [shop, id],
  );
  return rowCount === 1;
}

/** What a key opens, and why it opens nothing any more. */
export interface KnownKey {
  readonly id: string;
  readonly name: string;
  readonly role: KeyRole;
  readonly expiresAt: string;
  readonly isExpired: boolean;
  readonly isRevoked: boolean;
  /** It was not used for a while: its use is noted, to the hour. */
  readonly isUnnoted: boolean;
}

export async function findKey(sql: Sql, shop: ShopId, hash: Buffer): Promise<KnownKey | null> {
  const { rows } = await sql.query<KnownKey>(
    `SELECT key_id AS id, name, role, ${isoTime('expires_at')} AS "expiresAt", expires_at <= now() AS "isExpired",
            revoked_at IS NOT NULL AS "isRevoked", used_at IS NULL OR used_at < now() - interval '1 hour' AS "isUnnoted"
       FROM api_key WHERE shop_id = $1 AND token_hash = $2`,
    [shop, hash],
  );
  return rows[0] ?? null;
}

export async function noteUse(sql: Sql, shop: ShopId, id: string): Promise<void> {
  await sql.query('UPDATE api_key SET used_at = now() WHERE shop_id = $1 AND key_id = $2', [shop, id]);
}
