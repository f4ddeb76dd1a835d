import type { RoundPlan, RoundView, ShopId } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';
import { notFound } from '../platform/http/problem';

/** A plan as it is stored. */
export interface PlanRow extends Omit<RoundView, 'vehicles' | 'due' | 'nextOn'> {
  readonly begunOn: string;
}

/** Plans a round, or changes the plan of that id. */
export async function putPlan(sql: Sql, shop: ShopId, id: string, plan: RoundPlan): Promise<void> {
  await sql.query(
    `INSERT INTO round_plan (shop_id, plan_id, group_name, every_days, every_km, every_hours, before_winter, assignee)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8)
     ON CONFLICT (shop_id, plan_id) DO UPDATE
       SET group_name = excluded.group_name, every_days = excluded.every_days, every_km = excluded.every_km,
           every_hours = excluded.every_hours, before_winter = excluded.before_winter, assignee = excluded.assignee,
           is_ended = false`,
    [
      shop,
      id,
      plan.group.trim(),
      plan.everyDays ?? null,
      plan.everyKm ?? null,
      plan.everyHours ?? null,
      plan.beforeWinter ?? null,
      plan.assignee?.trim() || null,
    ],
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

/** The plans that are not ended, by group. @param only The id of one; all of them where it is null. */
export async function listPlans(sql: Sql, shop: ShopId, only: string | null): Promise<readonly PlanRow[]> {
  const { rows } = await sql.query<PlanRow>(
    `SELECT plan_id AS id, group_name AS "group", every_days AS "everyDays", every_km AS "everyKm",
            every_hours AS "everyHours", before_winter AS "beforeWinter", assignee, begun_on::text AS "begunOn"
       FROM round_plan WHERE shop_id = $1 AND NOT is_ended AND ($2::uuid IS NULL OR plan_id = $2)
      ORDER BY lower(group_name), plan_id`,
    [shop, only],
  );
  return rows;
}

/** @throws Refusal 404 where there is no plan of that id. */
export async function planOf(sql: Sql, shop: ShopId, id: string): Promise<PlanRow> {
  const [found] = await listPlans(sql, shop, id);
  if (!found) throw notFound('round', id);
  return found;
}
