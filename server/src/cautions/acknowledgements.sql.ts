import type { JobId, ShopId } from '@tetrad/contracts';
import type { CautionName } from '@tetrad/core';
import { isoTime } from '../platform/database/iso-time';
import type { Sql } from '../platform/database/pool';

/** Acknowledgements that count: those not taken back. */
const STANDING = `acknowledgement a WHERE a.shop_id = $1 AND a.job_id = $2 AND NOT EXISTS (
  SELECT 1 FROM acknowledgement_taken_back t
   WHERE (t.shop_id, t.job_id, t.caution, t.seq) = (a.shop_id, a.job_id, a.caution, a.seq))`;

/** Those of job $2, in their order. */
export const ACKNOWLEDGEMENTS = `SELECT coalesce(jsonb_agg(jsonb_build_object('caution', a.caution, 'by', a.acknowledged_by,
  'at', ${isoTime('a.acknowledged_at')}) ORDER BY a.seq), '[]') FROM ${STANDING}`;

/** A caution that stands is acknowledged once: the first name and time stay. The job is locked by the caller. */
export async function acknowledge(sql: Sql, shop: ShopId, job: JobId, caution: CautionName, by: string): Promise<void> {
  await sql.query(
    `INSERT INTO acknowledgement (shop_id, job_id, caution, acknowledged_by)
     SELECT $1, $2, $3, $4 WHERE NOT EXISTS (SELECT 1 FROM ${STANDING} AND a.caution = $3)`,
    [shop, job, caution, by],
  );
}

/** Takes an acknowledgement back; its row stays. @returns false where the caution was never acknowledged. */
export async function takeBackAcknowledgement(
  sql: Sql,
  shop: ShopId,
  job: JobId,
  caution: CautionName,
): Promise<boolean> {
  await sql.query(
    `INSERT INTO acknowledgement_taken_back (shop_id, job_id, caution, seq)
     SELECT a.shop_id, a.job_id, a.caution, a.seq FROM ${STANDING} AND a.caution = $3`,
    [shop, job, caution],
  );
  const known = await sql.query(
    'SELECT 1 FROM acknowledgement_taken_back WHERE shop_id = $1 AND job_id = $2 AND caution = $3 LIMIT 1',
    [shop, job, caution],
  );
  return known.rowCount === 1;
}
