import { randomUUID } from 'node:crypto';
import type { ImportedRow, ShopId, VehicleView } from '@tetrad/contracts';
import type { VehicleRow } from '@tetrad/core';
import type { Sql } from '../platform/database/pool';
import type { KnownVehicles, PlannedRow } from './plan-import';
import { ONE_OF_ITS_PLATE, VEHICLE } from '../vehicles/vehicles.sql';

/** What an import changed: a vehicle as it was, or the id of a new one. */
interface Before {
  readonly id: string;
  readonly was: VehicleView | null;
}

/** Of two imports of a shop the second waits until the first has ended, and then finds its vehicles. */
export const oneImportAtATime = (sql: Sql, shop: ShopId): Promise<unknown> =>
  sql.query(`SELECT pg_advisory_xact_lock(hashtextextended('vehicle imports ' || $1, 0))`, [shop]);

/** The vehicles that each row of a list is recognized as, in their order: by its VIN, and by its plate. */
export async function knownVehicles(
  sql: Sql,
  shop: ShopId,
  wanted: readonly Pick<VehicleRow, 'vin' | 'plate'>[],
): Promise<readonly KnownVehicles[]> {
  const matching = (condition: string): string =>
    `(SELECT ${VEHICLE} FROM vehicle v WHERE v.shop_id = $1 AND ${ONE_OF_ITS_PLATE} AND ${condition})`;
  const { rows } = await sql.query<KnownVehicles>(
    `WITH wanted AS MATERIALIZED (
       SELECT at, nullif(upper(vin), '') AS vin_key, plate_key(plate) AS plate_key
         FROM unnest($2::text[], $3::text[]) WITH ORDINALITY AS given (vin, plate, at))
     SELECT ${matching('v.vin_key = r.vin_key')} AS "byVin", ${matching('v.plate_key = r.plate_key')} AS "byPlate"
       FROM wanted r ORDER BY r.at`,
    [shop, wanted.map(({ vin }) => vin ?? null), wanted.map(({ plate }) => plate ?? null)],
  );
  return rows;
}

const COLUMNS = `vehicle uuid, name text, plate text, vin text, year integer, "group" text, "batteryFittedOn" date`;

/** Stores what was planned, with what was there before. */
export async function applyImport(sql: Sql, shop: ShopId, id: string, planned: readonly PlannedRow[]): Promise<void> {
  const taken = planned.map((one) =>
    one.what === 'new' ? { ...one, id: randomUUID() } : { ...one, id: one.vehicle! },
  );
  const rowsOf = (what: ImportedRow['what']): string =>
    JSON.stringify(taken.filter((one) => one.what === what).map((one) => ({ vehicle: one.id, ...one.row })));
  // first what is changed: a plate may go from a vehicle of the shop to a new one
  await sql.query(
    `UPDATE vehicle v SET name = coalesce(r.name, v.name), plate = coalesce(r.plate, v.plate), vin = coalesce(r.vin, v.vin),
            year = coalesce(r.year, v.year), group_name = coalesce(r."group", v.group_name),
            battery_fitted_on = coalesce(r."batteryFittedOn", v.battery_fitted_on)
       FROM jsonb_to_recordset($2::jsonb) AS r (${COLUMNS}) WHERE v.shop_id = $1 AND v.vehicle_id = r.vehicle`,
    [shop, rowsOf('changed')],
  );
  await sql.query(
    `INSERT INTO vehicle (shop_id, vehicle_id, name, plate, vin, year, group_name, battery_fitted_on)
     SELECT $1, r.vehicle, r.name, r.plate, r.vin, r.year, r."group", r."batteryFittedOn"
       FROM jsonb_to_recordset($2::jsonb) AS r (${COLUMNS})`,
    [shop, rowsOf('new')],
  );
  const before = taken.flatMap(({ id: vehicle, what, was }): readonly Before[] =>
    what === 'same' ? [] : [{ id: vehicle, was: what === 'new' ? null : was }],
  );
  const told = planned.map(({ row: _row, was: _was, ...imported }): ImportedRow => imported);
  await sql.query('INSERT INTO vehicle_import (shop_id, import_id, rows, before, wrote) VALUES ($1, $2, $3, $4, $5)', [
    shop,
    id,
    JSON.stringify(told),
    JSON.stringify(before),
    JSON.stringify(taken.filter(({ what }) => what !== 'same').map((one) => ({ vehicle: one.id, ...one.row }))),
  ]);
}

/** What was told of each row of an import; null where there is none of that id. */
export async function importedRows(sql: Sql, shop: ShopId, id: string): Promise<readonly ImportedRow[] | null> {
  const { rows } = await sql.query<{ readonly rows: readonly ImportedRow[] }>(
    'SELECT rows FROM vehicle_import WHERE shop_id = $1 AND import_id = $2',
    [shop, id],
  );
  return rows[0]?.rows ?? null;
}

/** Columns of a vehicle that an import writes, by the field of its rows. */
const FIELDS = {
  name: 'name',
  plate: 'plate',
  vin: 'vin',
  year: 'year',
  group: 'group_name',
  batteryFittedOn: 'battery_fitted_on',
} as const;

/**
 * Takes an import back: each field that still holds what it wrote is what it was. A new vehicle goes where nothing was
 * written to it since, and nobody has changed it.
 *
 * @returns how many vehicles it was about; null where there is no such import, or it was undone before.
 */
export async function undoImport(sql: Sql, shop: ShopId, id: string): Promise<number | null> {
  const { rowCount } = await sql.query(
    'UPDATE vehicle_import SET undone_at = now() WHERE shop_id = $1 AND import_id = $2 AND undone_at IS NULL',
    [shop, id],
  );
  if (rowCount === 0) return null;
  // an import that an earlier version stored does not say what it wrote: what it was then stands for it
  const given = `SELECT b.id AS vehicle, b.was, coalesce(w.wrote, '{}') AS wrote
       FROM vehicle_import i
      CROSS JOIN jsonb_to_recordset(i.before) AS b (id uuid, was jsonb)
       LEFT JOIN LATERAL (SELECT one AS wrote FROM jsonb_array_elements(i.wrote) one
                           WHERE (one->>'vehicle')::uuid = b.id) w ON true
      WHERE i.shop_id = $1 AND i.import_id = $2`;
  const stillThere = (field: keyof typeof FIELDS): string =>
    `g.wrote ? '${field}' AND v.${FIELDS[field]}::text = g.wrote->>'${field}'`;
  const names = Object.keys(FIELDS) as (keyof typeof FIELDS)[];
  await sql.query(
    `WITH given AS (${given}),
          held AS (SELECT v.vehicle_id FROM vehicle v JOIN given g ON g.vehicle = v.vehicle_id
                    WHERE v.shop_id = $1 AND g.was IS NULL ORDER BY v.vehicle_id FOR NO KEY UPDATE OF v)
     SELECT count(*) FROM held`,
    [shop, id],
  );
  const { rows } = await sql.query<{ readonly vehicles: number }>(
    `WITH given AS (${given}),
          gone AS (UPDATE vehicle v SET is_removed = true FROM given g
                    WHERE v.shop_id = $1 AND v.vehicle_id = g.vehicle AND g.was IS NULL
                      AND ${names.map((field) => `(v.${FIELDS[field]} IS NULL OR ${stillThere(field)})`).join(' AND ')}
                      AND NOT EXISTS (SELECT FROM job j WHERE j.shop_id = $1 AND j.vehicle_id = v.vehicle_id)
                      AND NOT EXISTS (SELECT FROM vehicle_use u WHERE u.shop_id = $1 AND u.vehicle_id = v.vehicle_id)
                      AND NOT EXISTS (SELECT FROM vehicle o WHERE o.shop_id = $1 AND o.merged_into = v.vehicle_id)),
          back AS (UPDATE vehicle v SET ${names
            .map(
              (field) =>
                `${FIELDS[field]} = CASE WHEN ${stillThere(field)} THEN ${restored(field)} ELSE v.${FIELDS[field]} END`,
            )
            .join(', ')}
                     FROM given g WHERE v.shop_id = $1 AND v.vehicle_id = g.vehicle AND g.was IS NOT NULL)
     SELECT count(*)::integer AS vehicles FROM given`,
    [shop, id],
  );
  return rows[0]!.vehicles;
}

/** A name is never taken away. */
const restored = (field: keyof typeof FIELDS): string => {
  const was = `g.was->>'${field}'`;
  if (field === 'name') return `coalesce(${was}, v.name)`;
  return field === 'year' ? `(${was})::integer` : field === 'batteryFittedOn' ? `(${was})::date` : was;
};
