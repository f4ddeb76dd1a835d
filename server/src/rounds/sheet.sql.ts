/** The round sheet: every vehicle of a plan by urgency, with its newest visit and the one before. */
import { URGENCIES } from '@tetrad/contracts';
import type { ShopId, SheetRow, Urgency } from '@tetrad/contracts';
import { isoTime } from '../platform/database/iso-time';
import type { Sql } from '../platform/database/pool';
import { VEHICLE } from '../vehicles/vehicles.sql';
import { eachDue, isDue } from './due.sql';
import type { DueVehicle } from './due.sql';
import type { PlanRow } from './plans.sql';

/** A vehicle as far as its place on the sheet needs it. */
interface Placed {
  readonly vehicle: string;
  readonly name: string;
  readonly urgency: Urgency;
  readonly dueOn: string | null;
}

interface StateRow {
  readonly vehicle: string;
  readonly name: string;
  readonly job: string | null;
  readonly isOpen: boolean;
  readonly isSignedOff: boolean;
  readonly action: string | null;
}

/** Where every vehicle of a plan stands on its sheet. */
export interface SheetOrder {
  readonly vehicles: readonly Placed[];
  readonly counts: Readonly<Record<Urgency, number>>;
}

const NEWEST_JOB = `LEFT JOIN LATERAL (SELECT job_id, opened_at, status FROM job
                           WHERE shop_id = $1 AND vehicle_id = v.vehicle_id
                           ORDER BY opened_at DESC, job_id LIMIT 1) j ON true
       LEFT JOIN judgement_newest g ON g.shop_id = $1 AND g.job_id = j.job_id`;

/** Every vehicle of a plan by urgency, then by name. */
export async function sheetOrder(
  sql: Sql,
  shop: ShopId,
  plan: PlanRow,
  today: string,
  gone?: AbortSignal,
): Promise<SheetOrder> {
  const vehicles: Placed[] = [];
  for await (const batch of eachDue(sql, shop, [plan], gone))
    vehicles.push(...(await statesOf(sql, shop, batch.vehicles, today)));
  const counts: Record<Urgency, number> = { act: 0, doubtful: 0, due: 0, sound: 0 };
  for (const { urgency } of vehicles) counts[urgency] += 1;
  const rank = new Map(URGENCIES.map((urgency, at) => [urgency, at]));
  const keyOf = ({ urgency, name, vehicle }: Placed): string => `${rank.get(urgency)}${name.toLowerCase()} ${vehicle}`;
  const keys = new Map(vehicles.map((one) => [one, keyOf(one)]));
  return { vehicles: vehicles.sort((a, b) => (keys.get(a)! < keys.get(b)! ? -1 : 1)), counts };
}

async function statesOf(
  sql: Sql,
  shop: ShopId,
  wanted: readonly DueVehicle[],
  today: string,
): Promise<readonly Placed[]> {
  const { rows } = await sql.query<StateRow>(
    `SELECT v.vehicle_id AS vehicle, v.name, j.job_id AS job, coalesce(j.status = 'open', false) AS "isOpen",
            CASE WHEN j.status = 'open' THEN g.document->'decision'->>'action' END AS action,
            EXISTS (SELECT FROM sign_off s WHERE s.shop_id = $1 AND s.job_id = j.job_id) AS "isSignedOff"
       FROM vehicle v
       ${NEWEST_JOB}
      WHERE v.shop_id = $1 AND v.vehicle_id = ANY ($2)`,
    [shop, wanted.map(({ vehicle }) => vehicle)],
  );
  const known = new Map(wanted.map((one) => [one.vehicle, one]));
  return rows.map((row) => {
    const one = known.get(row.vehicle)!;
    return {
      vehicle: row.vehicle,
      name: row.name,
      urgency: urgencyOf(row, isDue(one, today)),
      dueOn: one.due?.dueOn ?? null,
    };
  });
}

const ACTS: readonly string[] = ['replace', 'repair', 'charge-first', 'stop'];

/** What is to be done stands before what is open, and that before what is due. */
function urgencyOf({ isSignedOff, isOpen, action, job }: StateRow, isNowDue: boolean): Urgency {
  if (!isSignedOff && isOpen) return action !== null && ACTS.includes(action) ? 'act' : 'doubtful';
  return isNowDue || job === null ? 'due' : 'sound';
}

/** The rows of some vehicles of the sheet, in their order. */
export async function sheetRows(sql: Sql, shop: ShopId, wanted: readonly Placed[]): Promise<readonly SheetRow[]> {
  const { rows } = await sql.query<Omit<SheetRow, 'urgency' | 'dueOn'>>(
    `SELECT ${VEHICLE} AS vehicle, j.job_id AS job, ${isoTime('j.opened_at')} AS at, coalesce(j.status = 'open', false) AS "isOpen",
            c.is_sound AS "isSound", c.comment, g.document->'decision' AS decision, g.profile,
            (SELECT b.profile FROM job p JOIN judgement_newest b ON b.shop_id = $1 AND b.job_id = p.job_id
              WHERE p.shop_id = $1 AND p.vehicle_id = v.vehicle_id AND p.job_id <> j.job_id
              ORDER BY p.opened_at DESC, p.job_id LIMIT 1) AS "profileBefore"
       FROM vehicle v
       ${NEWEST_JOB}
       LEFT JOIN round_check c ON c.shop_id = $1 AND c.job_id = j.job_id
      WHERE v.shop_id = $1 AND v.vehicle_id = ANY ($2)`,
    [shop, wanted.map(({ vehicle }) => vehicle)],
  );
  const known = new Map(rows.map((row) => [row.vehicle.id, row]));
  return wanted.flatMap(({ vehicle, urgency, dueOn }) => {
    const row = known.get(vehicle);
    return row ? [{ ...row, urgency, dueOn }] : [];
  });
}
