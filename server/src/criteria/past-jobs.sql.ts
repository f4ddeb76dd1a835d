/** Past jobs of a shop, so many at a time, as text: it is read and judged in a thread, and nobody waits for it. */
import type { ShopId } from '@tetrad/contracts';
import { isoTime } from '../platform/database/iso-time';
import { observationsOf, readingsOf } from '../evidence/evidence.sql';
import type { Sql } from '../platform/database/pool';

export interface PastJobsBatch {
  /** A list of `PastJob` as JSON. */
  readonly text: string;
  readonly count: number;
  /** Where the next batch begins; null where this was the last. */
  readonly next: { readonly at: string; readonly id: string } | null;
}

const PAST_JOB = `json_build_object('job', j.job_id, 'openedAt', ${isoTime('j.opened_at')},
  'vehicle', json_build_object('id', v.vehicle_id, 'name', v.name, 'plate', v.plate),
  'decision', json_build_object('action', d.decision->>'action', 'part', d.decision->>'part', 'fault', d.decision->>'fault'),
  'isOutside', d.readings::text ~ '"grade" *: *"outside"', 'system', j.system, 'complaint', j.complaint, 'conditions', j.conditions,
  'readings', (${readingsOf('j.job_id')}), 'observations', (${observationsOf('j.job_id')}))`;

/** The newest first. @param after Where the batch before ended; null for the first. */
export async function pastJobs(
  sql: Sql,
  shop: ShopId,
  after: PastJobsBatch['next'],
  limit: number,
): Promise<PastJobsBatch> {
  const { rows } = await sql.query<{ text: string | null; count: string; at: string | null; id: string | null }>(
    `WITH page AS (
       SELECT j.job_id, j.opened_at FROM job j JOIN judgement_newest g ON g.shop_id = $1 AND g.job_id = j.job_id
        WHERE j.shop_id = $1 AND ($2::timestamptz IS NULL OR (j.opened_at, j.job_id) < ($2, $3))
        ORDER BY j.opened_at DESC, j.job_id DESC LIMIT $4)
     SELECT (SELECT json_agg(${PAST_JOB})::text
               FROM page p JOIN job j ON j.shop_id = $1 AND j.job_id = p.job_id
               JOIN vehicle v ON v.shop_id = $1 AND v.vehicle_id = j.vehicle_id
               JOIN judgement_newest g ON g.shop_id = $1 AND g.job_id = j.job_id
               CROSS JOIN LATERAL json_to_record(g.document) AS d(decision json, readings json)) AS text,
            (SELECT count(*) FROM page) AS count,
            (SELECT opened_at::text FROM page ORDER BY opened_at, job_id LIMIT 1) AS at,
            (SELECT job_id FROM page ORDER BY opened_at, job_id LIMIT 1) AS id`,
    [shop, after?.at ?? null, after?.id ?? null, limit],
  );
  const { text, count, at, id } = rows[0]!;
  const found = Number(count);
  return { text: text ?? '[]', count: found, next: found === limit && at !== null && id !== null ? { at, id } : null };
}

export async function countPastJobs(sql: Sql, shop: ShopId): Promise<number> {
  const { rows } = await sql.query<{ count: string }>(
    'SELECT count(*) AS count FROM judgement_newest WHERE shop_id = $1',
    [shop],
  );
  return Number(rows[0]!.count);
}
