import type { NewSignOff } from '@tetrad/contracts';
import type { Decision } from '@tetrad/core';
import { isoTime } from './iso-time';
import type { Sql } from './pool';

/** The newest sign-off of job $2; earlier ones stay stored. */
export const SIGN_OFF = `SELECT jsonb_build_object('id', sign_off_id, 'by', signed_by, 'at', ${isoTime('signed_at')},
  'action', action, 'part', part, 'reason', reason, 'conclusion', conclusion, 'partsFitted', parts_fitted,
  'comment', comment, 'solved', solved, 'judged', judged)
  FROM sign_off WHERE shop_id = $1 AND job_id = $2 ORDER BY seq DESC LIMIT 1`;

/** Adds a sign-off beside the judge's decision at that time. A repeat of the same id changes nothing. */
export async function addSignOff(
  sql: Sql,
  shop: string,
  job: string,
  body: NewSignOff,
  by: string,
  judged: Decision | null,
  signedAt = new Date(),
): Promise<void> {
  await sql.query(
    `INSERT INTO sign_off (shop_id, job_id, sign_off_id, signed_by, action, part, reason, conclusion, parts_fitted, comment, solved, judged, signed_at)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13) ON CONFLICT DO NOTHING`,
    [
      shop,
      job,
      body.id,
      by,
      body.action,
      body.part ?? null,
      body.reason?.trim() || null,
      body.conclusion,
      JSON.stringify(body.partsFitted),
      body.comment?.trim() || null,
      body.solved ?? null,
      judged,
      signedAt,
    ],
  );
}
