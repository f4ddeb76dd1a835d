/** When each vehicle of a round is due: worked out on the server, from what is stored of it. */
import type { RoundVehicle, RoundView, ShopId } from '@tetrad/contracts';
import { checkDue } from '@tetrad/core';
import type { CheckDue, UseReading } from '@tetrad/core';
import { isoTime } from '../platform/database/iso-time';
import type { Sql } from '../platform/database/pool';
import { LISTED, VEHICLE } from '../vehicles/vehicles.sql';
import { listPlans } from './plans.sql';
import type { PlanRow } from './plans.sql';

/** A vehicle of a plan, as far as its due date needs it. */
export interface DueVehicle {
  readonly vehicle: string;
  readonly due: CheckDue | null;
}
export interface DuePlan {
  readonly plan: PlanRow;
  /** What is due first stands first; what cannot be told, last. */
  readonly vehicles: readonly DueVehicle[];
}

interface DueRow {
  readonly plan: string;
  readonly vehicle: string;
  readonly lastCheck: string | null;
  readonly uses: readonly UseReading[] | null;
}

/** What odometer and hour meter of a vehicle showed, under whichever record it was noted, the oldest first. @param vehicle What holds its id. */
const usesOf = (vehicle: string): string =>
  `SELECT jsonb_agg(jsonb_build_object('on', used_on, 'km', km, 'hours', hours) ORDER BY used_on, entered_at)
     FROM vehicle_use WHERE shop_id = $1 AND vehicle_id IN (SELECT merged_records($1, ${vehicle}))`;

/** Every plan with its vehicles by urgency. @param only The id of one plan; all of them where it is null. */
export async function dueOf(sql: Sql, shop: ShopId, only: string | null = null): Promise<readonly DuePlan[]> {
  const plans = await listPlans(sql, shop, only);
  const { rows } = await sql.query<DueRow>(
    `SELECT p.plan_id AS plan, v.vehicle_id AS vehicle, to_char(j.opened_at, 'YYYY-MM-DD') AS "lastCheck",
            CASE WHEN coalesce(p.every_km, p.every_hours) IS NOT NULL THEN (${usesOf('v.vehicle_id')}) END AS uses
       FROM round_plan p
       JOIN vehicle v ON v.shop_id = $1 AND lower(v.group_name) = lower(p.group_name) AND ${LISTED}
       LEFT JOIN LATERAL (SELECT max(opened_at) AS opened_at FROM job
                           WHERE shop_id = $1 AND vehicle_id = v.vehicle_id) j ON true
      WHERE p.shop_id = $1 AND NOT p.is_ended AND ($2::uuid IS NULL OR p.plan_id = $2)`,
    [shop, only],
  );
  const byPlan = new Map(plans.map(({ id }): [string, DueRow[]] => [id, []]));
  for (const row of rows) byPlan.get(row.plan)?.push(row);
  return plans.map((plan) => ({
    plan,
    vehicles: (byPlan.get(plan.id) ?? [])
      .map(({ vehicle, lastCheck, uses }) => ({
        vehicle,
        due: checkDue(plan, { begunOn: plan.begunOn, lastCheck, uses: uses ?? [] }),
      }))
      .sort((a, b) => placeOf(a).localeCompare(placeOf(b))),
  }));
}

const NEVER = '9999-12-31';
/** Where a vehicle stands among those of its plan, as a text that sorts. */
export const placeOf = ({ due, vehicle }: DueVehicle): string =>
  `${(due?.dueOn ?? NEVER).replaceAll('-', '')}.${vehicle}`;

export const isDue = ({ due }: DueVehicle, today: string): boolean => due !== null && due.dueOn <= today;
export const todayOf = (now: Date): string => now.toISOString().slice(0, 10);

/** A plan as it is told, with how many of its vehicles are due. */
export function roundView({ plan, vehicles }: DuePlan, today: string): RoundView {
  const { begunOn: _begunOn, ...told } = plan;
  const due = vehicles.filter((one) => isDue(one, today)).length;
  return { ...told, vehicles: vehicles.length, due, nextOn: vehicles[due]?.due?.dueOn ?? null };
}

/** What else is told of some vehicles of a round. */
export async function roundVehicles(
  sql: Sql,
  shop: ShopId,
  wanted: readonly DueVehicle[],
): Promise<readonly RoundVehicle[]> {
  const { rows } = await sql.query<Omit<RoundVehicle, 'dueOn' | 'by'>>(
    `SELECT ${VEHICLE} AS vehicle, ${isoTime('j.opened_at')} AS "lastVisit", g.document->'decision' AS decision, j.system,
            (${usesOf('v.vehicle_id')})->-1 AS use
       FROM vehicle v
       LEFT JOIN LATERAL (SELECT job_id, opened_at, system FROM job
                           WHERE shop_id = $1 AND vehicle_id = v.vehicle_id
                           ORDER BY opened_at DESC, job_id LIMIT 1) j ON true
       LEFT JOIN judgement_newest g ON g.shop_id = $1 AND g.job_id = j.job_id
      WHERE v.shop_id = $1 AND v.vehicle_id = ANY ($2)`,
    [shop, wanted.map(({ vehicle }) => vehicle)],
  );
  const known = new Map(rows.map((row) => [row.vehicle.id, row]));
  return wanted.flatMap(({ vehicle, due }) => {
    const row = known.get(vehicle);
    return row ? [{ ...row, dueOn: due?.dueOn ?? null, by: due?.by ?? null }] : [];
  });
}
