/** Other vehicles of the same kind in the shop: what their newest visits measured. */
import type { ShopId } from '@tetrad/contracts';
import { observationsOf, readingsOf } from '../evidence/evidence.sql';
import { seesJob } from '../people/access';
import type { Scope } from '../people/access';
import type { Sql } from '../platform/database/pool';
import type { HistoryRow } from './history.sql';

/** The newest visits that are looked at; of each vehicle its newest counts. */
const MAX_VISITS = 200;
const MAX_VEHICLES = 60;

export type KindRow = Pick<HistoryRow, 'job' | 'system' | 'conditions' | 'readings' | 'observations'>;

/** The newest visit of each of so many vehicles with the same fuel, cylinders and volts; none where these are not known. */
export async function listOfKind(sql: Sql, shop: ShopId, vehicle: string, scope: Scope): Promise<readonly KindRow[]> {
  const { rows } = await sql.query<KindRow>(
    `WITH own AS (SELECT kind FROM job WHERE shop_id = $1 AND vehicle_id = survivor($1, $2) ORDER BY opened_at DESC, job_id LIMIT 1),
          alike AS (SELECT job_id, vehicle_id, opened_at FROM job j
                     WHERE shop_id = $1 AND kind = (SELECT kind FROM own) AND vehicle_id <> survivor($1, $2) AND ${seesJob('j', '$3')}
                     ORDER BY opened_at DESC LIMIT ${MAX_VISITS}),
          newest AS (SELECT DISTINCT ON (vehicle_id) job_id FROM alike ORDER BY vehicle_id, opened_at DESC LIMIT ${MAX_VEHICLES})
     SELECT j.job_id AS job, j.system, j.conditions,
            (${readingsOf('j.job_id')}) AS readings, (${observationsOf('j.job_id')}) AS observations
       FROM newest n JOIN job j ON j.shop_id = $1 AND j.job_id = n.job_id`,
    [shop, vehicle, scope],
  );
  return rows;
}
