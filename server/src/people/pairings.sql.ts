import type { JobId } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';
import { workingShop } from '../platform/database/working-shop';

/** A code is read from the bench's screen at once, minutes. */
const OPEN_MIN = 10;

export async function addPairing(sql: Sql, token: Buffer, job: JobId, person: string): Promise<Date> {
  const { rows } = await sql.query<{ expiresAt: Date }>(
    `WITH added AS (
       INSERT INTO pairing (shop_id, token_hash, job_id, person_id, expires_at)
       VALUES ($1, $2, $3, $4, now() + make_interval(mins => $5)) ON CONFLICT DO NOTHING RETURNING expires_at)
     SELECT expires_at AS "expiresAt" FROM added
      UNION ALL SELECT expires_at FROM pairing WHERE shop_id = $1 AND token_hash = $2 LIMIT 1`,
    [workingShop(), token, job, person, OPEN_MIN],
  );
  return rows[0]!.expiresAt;
}

/** Takes a pairing, which is good once. @returns null where it is unknown, used or too old. */
export async function takePairing(sql: Sql, token: Buffer): Promise<{ job: JobId; person: string } | null> {
  const { rows } = await sql.query<{ job: JobId; person: string; isOpen: boolean }>(
    `UPDATE pairing SET used_at = now() WHERE shop_id = $1 AND token_hash = $2 AND used_at IS NULL
     RETURNING job_id AS job, person_id AS person, expires_at > now() AS "isOpen"`,
    [workingShop(), token],
  );
  return rows[0]?.isOpen ? rows[0] : null;
}

/** A key that was shown and not used yet is good no more: whoever showed it ended their sessions. */
export async function endPairings(sql: Sql, person: string): Promise<void> {
  await sql.query('UPDATE pairing SET used_at = now() WHERE shop_id = $1 AND person_id = $2 AND used_at IS NULL', [
    workingShop(),
    person,
  ]);
}
