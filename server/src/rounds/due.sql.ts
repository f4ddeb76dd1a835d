/** When each vehicle of a round is due: worked out on the server, a batch of vehicles at a time, however many there are. */
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
/** Vehicles of one plan, in no order. */
export interface DueBatch {
  readonly plan: PlanRow;
  readonly vehicles: readonly DueVehicle[];
}

interface DueRow {
  readonly vehicle: string;
  readonly plan: string;
  readonly lastCheck: string | null;
  readonly uses: readonly UseReading[] | null;
}

/** Vehicles read at a time: others are served between two batches. */
const BATCH = 500;

/** What odometer and hour meter of a vehicle showed, under whichever record it was noted, the oldest first. @param vehicle What holds its id. */
const usesOf = (vehicle: string): string =>
  `SELECT json_agg(json_build_object('on', used_on, 'km', km, 'hours', hours) ORDER BY used_on, entered_at)
     FROM vehicle_use WHERE shop_id = $1 AND vehicle_id = ANY (
            CASE WHEN EXISTS (SELECT FROM vehicle m WHERE m.shop_id = $1 AND m.merged_into = ${vehicle})
                 THEN merged_records($1, ${vehicle}) ELSE ARRAY[${vehicle}] END)`;

interface ReadBatch {
  /** The id of its last vehicle; null where no further batch follows. */
  readonly last: string | null;
  readonly due: readonly DueRow[] | null;
}

async function readBatch(sql: Sql, shop: ShopId, plans: readonly string[], after: string): Promise<ReadBatch> {
  const { rows } = await sql.query<ReadBatch>(
    `WITH batch AS MATERIALIZED (
       SELECT v.vehicle_id, lower(v.group_name) AS group_name FROM vehicle v
        WHERE v.shop_id = $1 AND v.vehicle_id > $3::uuid AND v.group_name IS NOT NULL AND ${LISTED}
        ORDER BY v.vehicle_id LIMIT ${BATCH})
     SELECT CASE WHEN (SELECT count(*) FROM batch) = ${BATCH} THEN (SELECT vehicle_id FROM batch ORDER BY vehicle_id DESC LIMIT 1) END AS last,
            (SELECT json_agg(json_build_object('plan', p.plan_id, 'vehicle', v.vehicle_id,
                              'lastCheck', to_char(j.opened_at, 'YYYY-MM-DD'),
                              'uses', CASE WHEN coalesce(p.every_km, p.every_hours) IS NOT NULL THEN (${usesOf('v.vehicle_id')}) END))
               FROM batch v
               JOIN round_plan p ON p.shop_id = $1 AND p.plan_id = ANY ($2::uuid[]) AND lower(p.group_name) = v.group_name
               LEFT JOIN LATERAL (SELECT max(opened_at) AS opened_at FROM job
                                   WHERE shop_id = $1 AND vehicle_id = v.vehicle_id) j ON true) AS due`,
    [shop, plans, after],
  );
  return rows[0]!;
}

/** The vehicles of every plan, batch by batch. @param gone Stops the reading when the request was left. */
export async function* eachDue(
  sql: Sql,
  shop: ShopId,
  plans: readonly PlanRow[],
  gone?: AbortSignal,
): AsyncGenerator<DueBatch> {
  const byId = new Map(plans.map((plan) => [plan.id, plan]));
  const read = (after: string): Promise<ReadBatch> => {
    const reading = readBatch(sql, shop, [...byId.keys()], after);
    reading.catch(() => undefined); // told where it is waited for; nobody waits once the reader has left
    return reading;
  };
  let next = plans.length > 0 ? read('00000000-0000-0000-0000-000000000000') : null;
  while (next !== null && !gone?.aborted) {
    const { last, due: rows } = await next;
    // the database reads on while this batch is worked out
    next = last === null ? null : read(last);
    const byPlan = new Map(plans.map(({ id }) => [id, [] as DueVehicle[]]));
    for (const { plan: id, vehicle, lastCheck, uses } of rows ?? []) {
      const plan = byId.get(id)!;
      byPlan.get(id)!.push({ vehicle, due: checkDue(plan, { begunOn: plan.begunOn, lastCheck, uses: uses ?? [] }) });
    }
    for (const [id, vehicles] of byPlan) if (vehicles.length > 0) yield { plan: byId.get(id)!, vehicles };
  }
}

const NEVER = '9999-12-31';
/** Where a vehicle stands among those of its plan, as a text that sorts: what is due first, first. */
export const placeOf = ({ due, vehicle }: DueVehicle): string =>
  `${(due?.dueOn ?? NEVER).replaceAll('-', '')}.${vehicle}`;

export const isDue = ({ due }: DueVehicle, today: string): boolean => due !== null && due.dueOn <= today;
export const todayOf = (now: Date): string => now.toISOString().slice(0, 10);

/** Plans as they are told, each with how many of its vehicles are due. @param only The id of one; all of them where it is null. */
export async function listRounds(
  sql: Sql,
  shop: ShopId,
  today: string,
  only: string | null = null,
): Promise<readonly RoundView[]> {
  const plans = await listPlans(sql, shop, only);
  const counts = new Map(plans.map(({ id }) => [id, { vehicles: 0, due: 0, nextOn: null as string | null }]));
  for await (const { plan, vehicles } of eachDue(sql, shop, plans)) {
    const count = counts.get(plan.id)!;
    count.vehicles += vehicles.length;
    for (const one of vehicles) {
      if (isDue(one, today)) count.due += 1;
      else if (one.due && (count.nextOn === null || one.due.dueOn < count.nextOn)) count.nextOn = one.due.dueOn;
    }
  }
  return plans.map(({ begunOn: _begunOn, ...told }) => ({ ...told, ...counts.get(told.id)! }));
}

/** The vehicles of a plan that are due first. */
export interface DuePage {
  readonly vehicles: readonly DueVehicle[];
  /** Where the next page begins; null where this was the last. */
  readonly next: string | null;
}

/** @param after The place where the page before ended. */
export async function duePage(
  sql: Sql,
  shop: ShopId,
  plan: PlanRow,
  { limit, after }: { readonly limit: number; readonly after: string },
): Promise<DuePage> {
  let first: { readonly place: string; readonly one: DueVehicle }[] = [];
  for await (const { vehicles } of eachDue(sql, shop, [plan])) {
    const from = vehicles.map((one) => ({ place: placeOf(one), one })).filter(({ place }) => place > after);
    first = [...first, ...from].sort((a, b) => (a.place < b.place ? -1 : 1)).slice(0, limit + 1);
  }
  const page = first.slice(0, limit);
  return { vehicles: page.map(({ one }) => one), next: first.length > limit ? page.at(-1)!.place : null };
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
