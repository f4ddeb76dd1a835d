import type { JobId, PresentView, ShopId } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';

/** Who is not heard of for so long is gone, s: a process that died has taken nobody off. */
const GONE_S = 45;
/** Rows that nobody took off are removed after this, s. */
const FORGOTTEN_S = 600;

export interface Present extends PresentView {
  readonly shop: ShopId;
  readonly job: JobId;
  /** The stream by which the device follows the job. */
  readonly stream: string;
}

export async function addPresence(sql: Sql, { shop, job, stream, name, kind }: Present): Promise<void> {
  await sql.query(
    `WITH forgotten AS (DELETE FROM presence WHERE shop_id = $1 AND seen_at < now() - make_interval(secs => ${FORGOTTEN_S}))
     INSERT INTO presence (shop_id, stream_id, job_id, name, kind) VALUES ($1, $2, $3, $4, $5)
     ON CONFLICT (shop_id, stream_id) DO UPDATE SET seen_at = now()`,
    [shop, stream, job, name, kind],
  );
}

export async function removePresence(sql: Sql, { shop, stream }: Present): Promise<void> {
  await sql.query('DELETE FROM presence WHERE shop_id = $1 AND stream_id = $2', [shop, stream]);
}

/** Who else has the job open, in the order in which they came; each person once for each kind of device. */
export async function listOthers(sql: Sql, { shop, job, stream }: Present): Promise<readonly PresentView[]> {
  const { rows } = await sql.query<PresentView>(
    `SELECT name, kind FROM presence
      WHERE shop_id = $1 AND job_id = $2 AND stream_id <> $3 AND seen_at > now() - make_interval(secs => ${GONE_S})
      GROUP BY name, kind ORDER BY min(seen_at), name`,
    [shop, job, stream],
  );
  return rows;
}
