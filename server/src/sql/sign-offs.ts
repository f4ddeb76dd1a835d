import type { NewSignOff, SignOffView } from '@tetrad/contracts';
import type { Decision } from '@tetrad/core';
import type { Sql } from './pool';

/** The newest sign-off of a job; earlier ones stay stored. */
export async function newestSignOff(sql: Sql, shop: string, job: string): Promise<SignOffView | null> {
  const { rows } = await sql.query<Omit<SignOffView, 'at'> & { at: Date }>(
    `SELECT sign_off_id AS id, signed_by AS by, signed_at AS at, action, part, reason, conclusion,
            parts_fitted AS "partsFitted", comment, solved, judged
       FROM sign_off WHERE shop_id = $1 AND job_id = $2 ORDER BY seq DESC LIMIT 1`,
    [shop, job],
  );
  return rows[0] ? { ...rows[0], at: rows[0].at.toISOString() } : null;
}

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
