/** The round sheet: every vehicle of a plan by urgency, with its newest visit and the one before. */
import { URGENCIES } from '@tetrad/contracts';
import type { ShopId, SheetRow, Urgency } from '@tetrad/contracts';
import { isoTime } from '../platform/database/iso-time';
import type { Sql } from '../platform/database/pool';
import { VEHICLE } from '../vehicles/vehicles.sql';
import { isDue } from './due.sql';
import type { DuePlan } from './due.sql';

interface VisitRow extends Omit<SheetRow, 'urgency' | 'dueOn'> {
  readonly isSignedOff: boolean;
}

export async function sheetRows(
  sql: Sql,
  shop: ShopId,
  { vehicles }: DuePlan,
  today: string,
): Promise<readonly SheetRow[]> {
  const { rows } = await sql.query<VisitRow>(
    `SELECT ${VEHICLE} AS vehicle, j.job_id AS job, ${isoTime('j.opened_at')} AS at, coalesce(j.status = 'open', false) AS "isOpen",
            c.is_sound AS "isSound", c.comment, g.document->'decision' AS decision, g.profile,
            EXISTS (SELECT FROM sign_off s WHERE s.shop_id = $1 AND s.job_id = j.job_id) AS "isSignedOff",
            (SELECT b.profile FROM job p JOIN judgement_newest b ON b.shop_id = $1 AND b.job_id = p.job_id
              WHERE p.shop_id = $1 AND p.vehicle_id = v.vehicle_id AND p.job_id <> j.job_id
              ORDER BY p.opened_at DESC, p.job_id LIMIT 1) AS "profileBefore"
       FROM vehicle v
       LEFT JOIN LATERAL (SELECT job_id, opened_at, status FROM job
                           WHERE shop_id = $1 AND vehicle_id = v.vehicle_id
                           ORDER BY opened_at DESC, job_id LIMIT 1) j ON true
       LEFT JOIN judgement_newest g ON g.shop_id = $1 AND g.job_id = j.job_id
       LEFT JOIN round_check c ON c.shop_id = $1 AND c.job_id = j.job_id
      WHERE v.shop_id = $1 AND v.vehicle_id = ANY ($2)
      ORDER BY lower(v.name), v.vehicle_id`,
    [shop, vehicles.map(({ vehicle }) => vehicle)],
  );
  const known = new Map(vehicles.map((one) => [one.vehicle, one]));
  const sheet = rows.map(({ isSignedOff, ...row }): SheetRow => {
    const one = known.get(row.vehicle.id)!;
    return { ...row, dueOn: one.due?.dueOn ?? null, urgency: urgencyOf(row, isSignedOff, isDue(one, today)) };
  });
  return sheet.sort((a, b) => URGENCIES.indexOf(a.urgency) - URGENCIES.indexOf(b.urgency));
}

const ACTS: readonly string[] = ['replace', 'repair', 'charge-first', 'stop'];

/** What is to be done stands before what is open, and that before what is due. */
function urgencyOf(row: Omit<VisitRow, 'isSignedOff'>, isSignedOff: boolean, isNowDue: boolean): Urgency {
  if (!isSignedOff && row.isOpen) return row.decision && ACTS.includes(row.decision.action) ? 'act' : 'doubtful';
  return isNowDue || row.job === null ? 'due' : 'sound';
}
