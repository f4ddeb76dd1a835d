import type { Acknowledge, AcknowledgementView } from '@tetrad/contracts';
import type { Sql } from './pool';

export async function listAcknowledgements(
  sql: Sql,
  shop: string,
  job: string,
): Promise<readonly AcknowledgementView[]> {
  const { rows } = await sql.query<Omit<AcknowledgementView, 'at'> & { at: Date }>(
    `SELECT caution, acknowledged_by AS by, acknowledged_at AS at FROM acknowledgement
      WHERE shop_id = $1 AND job_id = $2 ORDER BY acknowledged_at, caution`,
    [shop, job],
  );
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
}

/** A caution is acknowledged once a job: the first name and time stay. */
export async function acknowledge(sql: Sql, shop: string, job: string, { caution, by }: Acknowledge): Promise<void> {
  await sql.query(
    `INSERT INTO acknowledgement (shop_id, job_id, caution, acknowledged_by) VALUES ($1, $2, $3, $4)
     ON CONFLICT DO NOTHING`,
    [shop, job, caution, by],
  );
}
