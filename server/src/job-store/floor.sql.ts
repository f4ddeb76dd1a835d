import type { ShopId } from '@tetrad/contracts';
import type { FloorRow, FloorSort, JobStatus, SignOffView } from '@tetrad/contracts';
import { WAIT_KINDS, isCount } from '@tetrad/core';
import type { Judgement, Profile } from '@tetrad/core';
import { seesJob } from '../people/access';
import type { Scope } from '../people/access';
import { cursorOf, pageOf, placeOf } from '../platform/database/page';
import type { Page } from '../platform/database/page';
import type { Sql } from '../platform/database/pool';
import { SIGN_OFF_OF_ROW } from '../signing/sign-offs.sql';
import { VEHICLE, patternsOf } from '../vehicles/vehicles.sql';
import { TIMER } from '../waiting/timers.sql';

/** A row of the floor as it is stored; its words are made where it is told (`floor-view.ts`). */
export interface FloorRecord extends Omit<
  FloorRow,
  'openedAt' | 'changedAt' | 'waitsFor' | 'decision' | 'readings' | 'words'
> {
  readonly openedAt: Date;
  readonly changedAt: Date;
  readonly decision: Judgement['decision'] | null;
  readonly waitsFor: FloorRow['waitsFor'];
  /** The newest, of a job that is closed. */
  readonly signOff: SignOffView | null;
  readonly profile: Profile | null;
  readonly readings: string;
  readonly cursor: string;
}

/** Which rows of the floor: a page by what changed or was opened last, or some by their ids. */
export interface FloorWanted {
  readonly status: JobStatus;
  readonly sort: FloorSort;
  readonly limit: number;
  /** Words that all must be found in the vehicle or in who has the job. */
  readonly find?: string | undefined;
  /** Where the page before ended. */
  readonly after?: string | undefined;
  readonly ids?: readonly string[] | undefined;
  readonly scope: Scope;
}

const SORT_COLUMNS: Readonly<Record<FloorSort, string>> = { changed: 'j.changed_at', opened: 'j.opened_at' };

/** A page of the jobs of a shop, each with its newest judgement in short. */
export async function listJobs(sql: Sql, shop: ShopId, wanted: FloorWanted): Promise<Page<FloorRecord>> {
  const column = SORT_COLUMNS[wanted.sort];
  const values: unknown[] = [shop, WAIT_KINDS.filter(isCount)];
  const value = (given: unknown): string => `$${values.push(given)}`;
  const which = wanted.ids ? `j.job_id = ANY (${value([...wanted.ids])})` : `j.status = ${value(wanted.status)}`;
  const conditions = ['j.shop_id = $1', which];
  conditions.push(seesJob('j', value(wanted.scope)));
  if (wanted.after) {
    conditions.push(`(${column}, j.job_id) < ${placeOf(wanted.after, value)}`);
  }
  const { rows } = await sql.query<FloorRecord>(
    `WITH page AS MATERIALIZED (
       SELECT j.job_id FROM ${jobsHolding(wanted.find, which, value)} WHERE ${conditions.join(' AND ')}
        ORDER BY ${column} DESC, j.job_id DESC LIMIT ${value(wanted.limit + 1)})
     SELECT j.job_id AS id, ${VEHICLE} AS vehicle, coalesce(j.complaint->'symptoms', '[]') AS symptoms, j.status, j.assignee,
            j.opened_at AS "openedAt", j.changed_at AS "changedAt",
            ${cursorOf(column, 'j.job_id')} AS cursor,
            g.document->'decision' AS decision, g.profile,
            CASE WHEN j.status = 'open' THEN g.document->'next'->0->>'test' END AS "waitsFor",
            CASE WHEN j.status = 'closed' THEN (${SIGN_OFF_OF_ROW}) END AS "signOff",
            (SELECT count(*) FROM reading r WHERE r.shop_id = j.shop_id AND r.job_id = j.job_id) AS readings,
            (SELECT ${TIMER} FROM timer t WHERE t.shop_id = j.shop_id AND t.job_id = j.job_id AND t.stopped_at IS NULL AND t.kind <> ALL ($2)
              ORDER BY t.started_at + make_interval(secs => t.seconds) DESC LIMIT 1) AS timer
       FROM page
       JOIN job j ON j.shop_id = $1 AND j.job_id = page.job_id
       JOIN vehicle v ON v.shop_id = j.shop_id AND v.vehicle_id = j.vehicle_id
       LEFT JOIN judgement_newest g ON g.shop_id = j.shop_id AND g.job_id = j.job_id
      ORDER BY ${column} DESC, j.job_id DESC`,
    values,
  );
  return pageOf(rows, wanted.limit);
}

/**
 * The jobs that hold the words of a search, all looked through at once: in their order it would be one by one. The
 * vehicles that hold a word are found first, each once however many jobs it has.
 */
function jobsHolding(find: string | undefined, which: string, value: (given: unknown) => string): string {
  const patterns = patternsOf(find).map(value);
  if (patterns.length === 0) return 'job j';
  const holds = patterns.map(
    (pattern) =>
      `(j.vehicle_id IN (SELECT v.vehicle_id FROM vehicle v WHERE v.shop_id = $1 AND v.search LIKE lower(${pattern}))
        OR j.search LIKE lower(${pattern}))`,
  );
  return `(SELECT j.shop_id, j.job_id, j.status, j.assignee, j.opened_at, j.changed_at
             FROM job j WHERE j.shop_id = $1 AND ${which} AND ${holds.join(' AND ')} OFFSET 0) j`;
}
