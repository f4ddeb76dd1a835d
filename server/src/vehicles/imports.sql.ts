import { randomUUID } from 'node:crypto';
import type { ImportedRow, ShopId, VehicleView } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';
import type { PlannedRow } from './plan-import';
import { LISTED, VEHICLE, addVehicle, changeVehicle } from './vehicles.sql';

/** What an import changed: a vehicle as it was, or the id of a new one. */
interface Before {
  readonly id: string;
  readonly was: VehicleView | null;
}

/** Every vehicle of the shop that is listed. */
export async function allVehicles(sql: Sql, shop: ShopId): Promise<readonly VehicleView[]> {
  const { rows } = await sql.query<{ readonly vehicle: VehicleView }>(
    `SELECT ${VEHICLE} AS vehicle FROM vehicle v WHERE v.shop_id = $1 AND ${LISTED}`,
    [shop],
  );
  return rows.map(({ vehicle }) => vehicle);
}

/** Stores what was planned, with what was there before. */
export async function applyImport(
  sql: Sql,
  shop: ShopId,
  id: string,
  planned: readonly PlannedRow[],
  known: readonly VehicleView[],
): Promise<void> {
  const before: Before[] = [];
  for (const { row, what, vehicle } of planned) {
    if (what === 'new') {
      const added = randomUUID();
      await addVehicle(sql, shop, { id: added, ...row });
      before.push({ id: added, was: null });
    } else if (what === 'changed' && vehicle !== null) {
      await changeVehicle(sql, shop, vehicle, row, null);
      before.push({ id: vehicle, was: known.find((one) => one.id === vehicle) ?? null });
    }
  }
  const told = planned.map(({ row: _row, ...imported }): ImportedRow => imported);
  await sql.query('INSERT INTO vehicle_import (shop_id, import_id, rows, before) VALUES ($1, $2, $3, $4)', [
    shop,
    id,
    JSON.stringify(told),
    JSON.stringify(before),
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

/**
 * Makes every vehicle of an import what it was; a new one goes where it has no job.
 *
 * @returns how many; null where there is no such import, or it was undone before.
 */
export async function undoImport(sql: Sql, shop: ShopId, id: string): Promise<number | null> {
  const { rows } = await sql.query<{ readonly before: readonly Before[] }>(
    `UPDATE vehicle_import SET undone_at = now() WHERE shop_id = $1 AND import_id = $2 AND undone_at IS NULL
     RETURNING before`,
    [shop, id],
  );
  const before = rows[0]?.before;
  if (!before) return null;
  for (const { id: vehicle, was } of before) {
    if (was === null)
      await sql.query(
        `UPDATE vehicle v SET is_removed = true WHERE v.shop_id = $1 AND v.vehicle_id = $2
            AND NOT EXISTS (SELECT FROM job j WHERE j.shop_id = $1 AND j.vehicle_id = $2)`,
        [shop, vehicle],
      );
    else
      await sql.query(
        `UPDATE vehicle SET name = $3, plate = $4, vin = $5, year = $6, group_name = $7, battery_fitted_on = $8
          WHERE shop_id = $1 AND vehicle_id = $2`,
        [shop, vehicle, was.name, was.plate, was.vin, was.year, was.group, was.batteryFittedOn],
      );
  }
  return before.length;
}
