import type { JobId, RoundCheck, ShopId, VehicleUse } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';

/** Notes that a job is the check of a round. */
export async function addCheck(
  sql: Sql,
  shop: ShopId,
  job: JobId,
  { plan, comment }: Pick<RoundCheck, 'plan' | 'comment'>,
  { isSound, by }: { readonly isSound: boolean; readonly by: string },
): Promise<void> {
  await sql.query(
    `INSERT INTO round_check (shop_id, job_id, plan_id, is_sound, comment, checked_by) VALUES ($1, $2, $3, $4, $5, $6)`,
    [shop, job, plan ?? null, isSound, comment?.trim() || null, by],
  );
}

/** Notes what odometer or hour meter show; nothing where neither is told. @param id A repeat stores it once. */
export async function addUse(
  sql: Sql,
  shop: ShopId,
  id: string,
  vehicle: string,
  { km, hours }: VehicleUse,
  { by, at }: { readonly by: string; readonly at: Date },
): Promise<void> {
  if (km === undefined && hours === undefined) return;
  await sql.query(
    `INSERT INTO vehicle_use (shop_id, use_id, vehicle_id, used_on, km, hours, entered_by) VALUES ($1, $2, $3, $4, $5, $6, $7)
     ON CONFLICT (shop_id, use_id) DO NOTHING`,
    [shop, id, vehicle, at, km ?? null, hours ?? null, by],
  );
}
