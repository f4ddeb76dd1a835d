import type { JobVehicle, VehicleChanges, VehicleView, VisitView } from '@tetrad/contracts';
import type { Sql } from './pool';
import { seenBy } from './seen-by';

/** A vehicle as JSON; `v` is its row. */
export const VEHICLE = `jsonb_build_object('id', v.vehicle_id, 'name', v.name, 'plate', v.plate, 'vin', v.vin, 'year', v.year)`;

/** Vehicles of a shop, by name. */
export async function listVehicles(sql: Sql, shop: string): Promise<readonly VehicleView[]> {
  const { rows } = await sql.query<VehicleView>(
    'SELECT vehicle_id AS id, name, plate, vin, year FROM vehicle WHERE shop_id = $1 ORDER BY name, vehicle_id',
    [shop],
  );
  return rows;
}

/** Adds a vehicle where its id is new; of a known one nothing is changed. */
export async function addVehicle(sql: Sql, shop: string, vehicle: JobVehicle): Promise<void> {
  await sql.query(
    `INSERT INTO vehicle (shop_id, vehicle_id, name, plate, vin, year) VALUES ($1, $2, $3, $4, $5, $6)
     ON CONFLICT (shop_id, vehicle_id) DO NOTHING`,
    [shop, vehicle.id, vehicle.name, vehicle.plate ?? null, vehicle.vin ?? null, vehicle.year ?? null],
  );
}

/** Changes what is told of the vehicle of a job; what is not named stays. */
export async function changeVehicle(sql: Sql, shop: string, vehicle: string, changes: VehicleChanges): Promise<void> {
  await sql.query(
    `UPDATE vehicle SET name = coalesce($3, name), plate = coalesce($4, plate), vin = coalesce($5, vin),
            year = coalesce($6, year)
      WHERE shop_id = $1 AND vehicle_id = $2`,
    [shop, vehicle, changes.name ?? null, changes.plate ?? null, changes.vin ?? null, changes.year ?? null],
  );
}

/** Every visit of a vehicle, the newest first. */
export async function listVisits(
  sql: Sql,
  shop: string,
  vehicle: string,
  onlyOf: string | null,
): Promise<readonly VisitView[]> {
  const { rows } = await sql.query<Omit<VisitView, 'openedAt'> & { openedAt: Date }>(
    `SELECT j.job_id AS job, j.opened_at AS "openedAt", j.status, coalesce(j.complaint->'symptoms', '[]') AS symptoms,
            g.document->'decision' AS decision, g.profile, j.system,
            coalesce((SELECT s.parts_fitted FROM sign_off s WHERE s.shop_id = j.shop_id AND s.job_id = j.job_id
                       ORDER BY s.seq DESC LIMIT 1), '[]') AS "partsFitted"
       FROM job j
       LEFT JOIN judgement_newest g ON g.shop_id = j.shop_id AND g.job_id = j.job_id
      WHERE j.shop_id = $1 AND j.vehicle_id = $2 AND ${seenBy('j', '$3')}
      ORDER BY j.opened_at DESC, j.job_id`,
    [shop, vehicle, onlyOf],
  );
  return rows.map((row) => ({ ...row, openedAt: row.openedAt.toISOString() }));
}
