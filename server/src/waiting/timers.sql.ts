import type { JobId, ShopId } from '@tetrad/contracts';
import type { StartTimer } from '@tetrad/contracts';
import { isCount, usualSeconds } from '@tetrad/core';
import type { WaitKind } from '@tetrad/core';
import { isoTime } from '../platform/database/iso-time';
import type { Sql } from '../platform/database/pool';

/** A timer as JSON; `t` is its row. */
export const TIMER = `jsonb_build_object('id', t.timer_id, 'kind', t.kind, 'seconds', t.seconds, 'startedAt',
  ${isoTime('t.started_at')})`;

/** Timers of job $2 that nobody has stopped, the oldest first; those that have run out too. */
export const TIMERS = `SELECT coalesce(jsonb_agg(${TIMER} ORDER BY t.started_at, t.timer_id), '[]') FROM timer t
  WHERE t.shop_id = $1 AND t.job_id = $2 AND t.stopped_at IS NULL`;

/** Starts a timer on the server's clock; another of the same kind is stopped by it. A repeat changes nothing. */
export async function startTimer(sql: Sql, shop: ShopId, job: JobId, body: StartTimer): Promise<void> {
  const kind: WaitKind = body.kind;
  const seconds = isCount(kind) ? usualSeconds(kind) : (body.seconds ?? usualSeconds(kind));
  const { rowCount } = await sql.query(
    `INSERT INTO timer (shop_id, job_id, timer_id, kind, seconds, started_at)
     VALUES ($1, $2, $3, $4, $5, clock_timestamp() - make_interval(secs => $6)) ON CONFLICT DO NOTHING`,
    [shop, job, body.id, kind, seconds, body.secondsAgo ?? 0],
  );
  if (rowCount === 0) return;
  await sql.query(
    `UPDATE timer SET stopped_at = clock_timestamp()
      WHERE shop_id = $1 AND job_id = $2 AND kind = $3 AND timer_id <> $4 AND stopped_at IS NULL`,
    [shop, job, kind, body.id],
  );
}

/** Ends every wait of a job: it is closed. */
export async function stopTimers(sql: Sql, shop: ShopId, job: JobId): Promise<void> {
  await sql.query(
    `UPDATE timer SET stopped_at = clock_timestamp() WHERE shop_id = $1 AND job_id = $2 AND stopped_at IS NULL`,
    [shop, job],
  );
}

/** Stops a timer, or puts away one that has run out. @returns false where the job has no such timer. */
export async function stopTimer(sql: Sql, shop: ShopId, job: JobId, timer: string): Promise<boolean> {
  const { rowCount } = await sql.query(
    `UPDATE timer SET stopped_at = coalesce(stopped_at, clock_timestamp())
      WHERE shop_id = $1 AND job_id = $2 AND timer_id = $3`,
    [shop, job, timer],
  );
  return rowCount === 1;
}
