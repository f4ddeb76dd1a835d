import type { RoundPlan, RoundVehicle, RoundView, ShopId } from '@tetrad/contracts';
import { isoTime } from '../platform/database/iso-time';
import type { Sql } from '../platform/database/pool';
import { LISTED, VEHICLE } from '../vehicles/vehicles.sql';

/** Plans a round, or changes the plan of that id. */
export async function putPlan(sql: Sql, shop: ShopId, id: string, plan: RoundPlan): Promise<void> {
  await sql.query(
    `INSERT INTO round_plan (shop_id, plan_id, group_name, every_days, assignee) VALUES ($1, $2, $3, $4, $5)
     ON CONFLICT (shop_id, plan_id) DO UPDATE
       SET group_name = excluded.group_name, every_days = excluded.every_days, assignee = excluded.assignee,
           is_ended = false`,
    [shop, id, plan.group.trim(), plan.everyDays, plan.assignee?.trim() || null],
  );
}

/** @returns false where there is no such plan. */
export async function endPlan(sql: Sql, shop: ShopId, id: string): Promise<boolean> {
  const { rowCount } = await sql.query(
    'UPDATE round_plan SET is_ended = true WHERE shop_id = $1 AND plan_id = $2 AND NOT is_ended',
    [shop, id],
  );
  return rowCount === 1;
}

interface PlanRow {
  readonly id: string;
  readonly group: string;
  readonly everyDays: number;
  readonly assignee: string | null;
  readonly begunOn: string;
}

/** Every plan with its vehicles: due so many days after the newest job, or when it was planned where there was none. */
export async function listRounds(sql: Sql, shop: ShopId): Promise<readonly RoundView[]> {
  const { rows: plans } = await sql.query<PlanRow>(
    `SELECT plan_id AS id, group_name AS "group", every_days AS "everyDays", assignee, begun_on::text AS "begunOn"
       FROM round_plan WHERE shop_id = $1 AND NOT is_ended ORDER BY lower(group_name), plan_id`,
    [shop],
  );
  const rounds: RoundView[] = [];
  for (const { begunOn, ...plan } of plans) {
    const { rows } = await sql.query<RoundVehicle>(
      `SELECT ${VEHICLE} AS vehicle, ${isoTime('j.opened_at')} AS "lastVisit",
              to_char(coalesce(j.opened_at::date + $3::integer, $4::date), 'YYYY-MM-DD') AS "dueOn",
              g.document->'decision' AS decision, j.system
         FROM vehicle v
         LEFT JOIN LATERAL (SELECT job_id, opened_at, system FROM job
                             WHERE shop_id = $1 AND vehicle_id = v.vehicle_id
                             ORDER BY opened_at DESC, job_id LIMIT 1) j ON true
         LEFT JOIN judgement_newest g ON g.shop_id = $1 AND g.job_id = j.job_id
        WHERE v.shop_id = $1 AND lower(v.group_name) = lower($2) AND ${LISTED}
        ORDER BY "dueOn", lower(v.name), v.vehicle_id`,
      [shop, plan.group, plan.everyDays, begunOn],
    );
    rounds.push({ ...plan, vehicles: rows });
  }
  return rounds;
}
