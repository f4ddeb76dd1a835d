import type { ShopId } from '@tetrad/contracts';
import type { JobVehicle, VehicleChanges, VehicleView, VisitView } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';
import { OUTCOME_OF_ROW } from '../outcomes/outcomes.sql';
import { SIGN_OFF_OF_ROW } from '../signing/sign-offs.sql';
import { changesVehicle, seesJob, seesVehicle } from '../people/access';
import type { Scope } from '../people/access';
import { cursorOf, pageOf, placeOf } from '../platform/database/page';
import type { Page } from '../platform/database/page';

/** A vehicle as JSON; `v` is its row. */
export const VEHICLE = `jsonb_build_object('id', v.vehicle_id, 'name', v.name, 'plate', v.plate, 'vin', v.vin, 'year', v.year, 'group', v.group_name, 'batteryFittedOn', v.battery_fitted_on)`;

/** Of a vehicle's row `v`: it stands in lists. */
export const LISTED = 'v.merged_into IS NULL AND NOT v.is_removed';

/** Of a vehicle's row `v`: no other has its plate or its VIN. The words are those of the index. */
export const ONE_OF_ITS_PLATE = 'v.merged_into IS NULL AND NOT v.is_removed AND NOT v.is_twin';

/** Which vehicles are wanted. */
export interface VehiclesWanted {
  readonly limit: number;
  /** Where the page before ended. */
  readonly after?: string | undefined;
  /** Words that all stand in name, plate or VIN. */
  readonly find?: string | undefined;
  readonly scope: Scope;
}

/** A page of the vehicles that somebody may see, the newest first. */
export async function listVehicles(sql: Sql, shop: ShopId, wanted: VehiclesWanted): Promise<Page<VehicleView>> {
  const values: unknown[] = [shop];
  const value = (given: unknown): string => `$${values.push(given)}`;
  const conditions = [
    'v.shop_id = $1',
    LISTED,
    seesVehicle('v', value(wanted.scope)),
    ...patternsOf(wanted.find).map((pattern) => `v.search LIKE lower(${value(pattern)})`),
  ];
  if (wanted.after) conditions.push(`(v.created_at, v.vehicle_id) < ${placeOf(wanted.after, value)}`);
  const { rows } = await sql.query<VehicleView & { readonly cursor: string }>(
    `SELECT v.vehicle_id AS id, v.name, v.plate, v.vin, v.year, v.group_name AS "group", v.battery_fitted_on::text AS "batteryFittedOn", ${cursorOf('v.created_at', 'v.vehicle_id')} AS cursor
       FROM vehicle v WHERE ${conditions.join(' AND ')}
      ORDER BY v.created_at DESC, v.vehicle_id DESC LIMIT ${value(wanted.limit + 1)}`,
    values,
  );
  const { rows: page, next } = pageOf(rows, wanted.limit);
  return { rows: page.map(({ cursor: _cursor, ...vehicle }) => vehicle), next };
}

/** Each word of a search as a pattern of LIKE: it may stand anywhere. */
export const patternsOf = (find: string | undefined): readonly string[] =>
  (find?.split(/\s+/).filter(Boolean) ?? []).map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`);

/** Whether the shop has a vehicle that somebody may not use for a job: it is there, and hidden from them. */
export async function isHiddenVehicle(sql: Sql, shop: ShopId, id: string, scope: Scope): Promise<boolean> {
  const { rows } = await sql.query(
    `SELECT 1 FROM vehicle v WHERE v.shop_id = $1 AND v.vehicle_id = survivor($1, $2) AND NOT ${seesVehicle('v', '$3')}`,
    [shop, id, scope],
  );
  return rows.length > 0;
}

const ADDED = `INSERT INTO vehicle (shop_id, vehicle_id, name, plate, vin, year, group_name, battery_fitted_on, merged_into, is_twin)`;

/**
 * Adds a vehicle where its id is new; of a known one nothing is changed. Where another has its VIN or its plate, the new
 * record becomes that one; where the plate is the same and the VINs are two, both stand.
 */
export async function addVehicle(sql: Sql, shop: ShopId, vehicle: JobVehicle): Promise<void> {
  const values = [
    shop,
    vehicle.id,
    vehicle.name,
    vehicle.plate ?? null,
    vehicle.vin ?? null,
    vehicle.year ?? null,
    vehicle.group ?? null,
    vehicle.batteryFittedOn ?? null,
  ];
  const { rowCount } = await sql.query(
    `${ADDED} VALUES ($1, $2, $3, $4, $5, $6, $7, $8, NULL, false) ON CONFLICT DO NOTHING`,
    values,
  );
  if (rowCount === 1) return;
  await sql.query(
    `${ADDED}
     SELECT $1, $2, $3, $4, $5, $6, $7, $8, CASE WHEN isOther THEN NULL ELSE vehicle_id END, isOther
       FROM (SELECT v.vehicle_id, v.vin_key IS NOT DISTINCT FROM upper($5) AS isSame,
                    coalesce(v.vin_key <> upper($5), false) AS isOther
               FROM vehicle v
              WHERE v.shop_id = $1 AND ${ONE_OF_ITS_PLATE}
                AND (v.vin_key = upper($5) OR v.plate_key = plate_key($4))
              ORDER BY isSame DESC LIMIT 1) known
     ON CONFLICT (shop_id, vehicle_id) DO NOTHING`,
    values,
  );
}

/**
 * Changes what is told of a vehicle, or of the one it has become; what is not named stays.
 *
 * @returns false where a job of it is hidden from who asks.
 * @throws the database's refusal where another vehicle has that plate or VIN (see `refuseTaken`).
 */
export async function changeVehicle(
  sql: Sql,
  shop: ShopId,
  vehicle: string,
  changes: VehicleChanges,
  scope: Scope,
): Promise<boolean> {
  const { rowCount } = await sql.query(
    `UPDATE vehicle v SET name = coalesce($3, name), plate = coalesce($4, plate), vin = coalesce($5, vin),
            year = coalesce($6, year), group_name = coalesce($8, group_name),
            battery_fitted_on = coalesce($9, battery_fitted_on)
      WHERE v.shop_id = $1 AND v.vehicle_id = survivor($1, $2) AND ${changesVehicle('v', '$7')}`,
    [
      shop,
      vehicle,
      changes.name ?? null,
      changes.plate ?? null,
      changes.vin ?? null,
      changes.year ?? null,
      scope,
      changes.group ?? null,
      changes.batteryFittedOn ?? null,
    ],
  );
  return rowCount === 1;
}

/** One vehicle, or the one it has become; null where the shop has none of that id, or none that who asks may see. */
export async function findVehicle(sql: Sql, shop: ShopId, id: string, scope: Scope): Promise<VehicleView | null> {
  const { rows } = await sql.query<{ readonly vehicle: VehicleView }>(
    `SELECT ${VEHICLE} AS vehicle FROM vehicle v
      WHERE v.shop_id = $1 AND v.vehicle_id = survivor($1, $2) AND ${seesVehicle('v', '$3')}`,
    [shop, id, scope],
  );
  return rows[0]?.vehicle ?? null;
}

/** Every visit of a vehicle, the newest first. */
export async function listVisits(sql: Sql, shop: ShopId, vehicle: string, scope: Scope): Promise<readonly VisitView[]> {
  const { rows } = await sql.query<Omit<VisitView, 'openedAt'> & { openedAt: Date }>(
    `SELECT j.job_id AS job, j.opened_at AS "openedAt", j.status, coalesce(j.complaint->'symptoms', '[]') AS symptoms,
            g.document->'decision' AS decision, g.profile, j.system,
            (${SIGN_OFF_OF_ROW}) AS "signOff", (${OUTCOME_OF_ROW}) AS outcome
       FROM job j
       LEFT JOIN judgement_newest g ON g.shop_id = j.shop_id AND g.job_id = j.job_id
      WHERE j.shop_id = $1 AND j.vehicle_id = survivor($1, $2) AND ${seesJob('j', '$3')}
      ORDER BY j.opened_at DESC, j.job_id`,
    [shop, vehicle, scope],
  );
  return rows.map((row) => ({ ...row, openedAt: row.openedAt.toISOString() }));
}

/** What some vehicles are called, by id. */
export async function namesOf(
  sql: Sql,
  shop: ShopId,
  ids: readonly string[],
): Promise<ReadonlyMap<string, Pick<VehicleView, 'id' | 'name' | 'plate'>>> {
  const { rows } = await sql.query<Pick<VehicleView, 'id' | 'name' | 'plate'>>(
    'SELECT vehicle_id AS id, name, plate FROM vehicle WHERE shop_id = $1 AND vehicle_id = ANY ($2)',
    [shop, ids],
  );
  return new Map(rows.map((row) => [row.id, row]));
}
