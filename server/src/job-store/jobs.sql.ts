import type { ShopId, JobId } from '@tetrad/contracts';
import type { ImportedView, JobChanges, JobStatus, NewJob, VehicleView } from '@tetrad/contracts';
import type { Case, Pass } from '@tetrad/core';
import { seesJob } from '../people/access';
import type { Scope } from '../people/access';
import { isoTime } from '../platform/database/iso-time';
import type { Sql } from '../platform/database/pool';
import { VEHICLE, addVehicle } from '../vehicles/vehicles.sql';

/** A job as its row stands, with its vehicle. */
export interface JobRow {
  readonly id: JobId;
  readonly version: number;
  readonly revision: number;
  readonly pass: Pass;
  readonly status: JobStatus;
  readonly assignee: string | null;
  readonly criteria: string;
  readonly openedAt: Date;
  readonly system: Case['system'];
  readonly complaint: NonNullable<Case['complaint']>;
  readonly conditions: NonNullable<Case['conditions']>;
  readonly extra: Readonly<Record<string, unknown>>;
  readonly vehicle: VehicleView;
  /** Who brought it in from a file, and when; null where it was opened here. */
  readonly imported: ImportedView | null;
}

const IMPORTED = `CASE WHEN j.imported_at IS NOT NULL
  THEN jsonb_build_object('by', j.imported_by, 'at', ${isoTime('j.imported_at')}) END`;

/**
 * @param how `lock` holds the job for a change; `scope` is that of who asks, everybody's where it is absent.
 * @returns the job, or null where this shop has none of that id, or none that who asks may see.
 */
export async function findJob(
  sql: Sql,
  shop: ShopId,
  id: string,
  { lock = false, scope = null }: { readonly lock?: boolean; readonly scope?: Scope } = {},
): Promise<JobRow | null> {
  const { rows } = await sql.query<JobRow>(
    `SELECT j.job_id AS id, j.version, j.revision::float8 AS revision, j.pass, j.status, j.assignee, j.criteria_id AS criteria, j.opened_at AS "openedAt",
            j.system, j.complaint, j.conditions, j.extra, ${IMPORTED} AS imported, ${VEHICLE} AS vehicle
       FROM job j JOIN vehicle v USING (shop_id, vehicle_id)
      WHERE j.shop_id = $1 AND j.job_id = $2 AND ${seesJob('j', '$3')} ${lock ? 'FOR UPDATE OF j' : ''}`,
    [shop, id, scope],
  );
  return rows[0] ?? null;
}

/** Opens a job, with its vehicle where that is new. @returns false where the id is taken already. */
export async function addJob(
  sql: Sql,
  shop: ShopId,
  job: NewJob,
  options: {
    readonly extra?: object;
    readonly openedAt?: Date;
    readonly status?: JobStatus;
    readonly criteria?: string;
    readonly importedBy?: string;
  } = {},
): Promise<boolean> {
  const { vehicle } = job;
  await addVehicle(sql, shop, vehicle);
  const openedAt = options.openedAt ?? new Date();
  const { rowCount } = await sql.query(
    `INSERT INTO job (shop_id, job_id, vehicle_id, assignee, system, complaint, conditions, extra, opened_at, changed_at, status, criteria_id, imported_by, imported_at)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $9, $10,
       coalesce($11, (SELECT usual_criteria FROM shop WHERE shop_id = $1)), $12, CASE WHEN $12::text IS NOT NULL THEN now() END) ON CONFLICT (shop_id, job_id) DO NOTHING`,
    [
      shop,
      job.id,
      vehicle.id,
      job.assignee ?? null,
      job.system,
      job.complaint ?? {},
      job.conditions ?? {},
      options.extra ?? {},
      openedAt,
      options.status ?? 'open',
      options.criteria ?? null,
      options.importedBy ?? null,
    ],
  );
  return rowCount === 1;
}

/** Applies changes to a job of the version they were made on. @returns false where it has moved on. */
export async function changeJob(sql: Sql, shop: ShopId, id: string, changes: JobChanges): Promise<boolean> {
  const { rowCount } = await sql.query(
    `UPDATE job SET version = version + 1, changed_at = now(),
            system = coalesce($4, system), complaint = coalesce($5, complaint), conditions = coalesce($6, conditions),
            criteria_id = coalesce($7, criteria_id), status = coalesce($8, status), assignee = coalesce($9, assignee),
            pass = coalesce($10, pass)
      WHERE shop_id = $1 AND job_id = $2 AND version = $3`,
    [
      shop,
      id,
      changes.version,
      changes.system ?? null,
      changes.complaint ?? null,
      changes.conditions ?? null,
      changes.criteria ?? null,
      changes.status ?? null,
      changes.assignee ?? null,
      changes.pass ?? null,
    ],
  );
  return rowCount === 1;
}

/** Notes a change of the job: its time, its revision, and so the news of it. @returns the new revision. */
export async function touchJob(sql: Sql, shop: ShopId, id: string): Promise<number> {
  const { rows } = await sql.query<{ revision: number }>(
    `UPDATE job SET changed_at = now(), revision = revision + 1 WHERE shop_id = $1 AND job_id = $2
     RETURNING revision::float8 AS revision`,
    [shop, id],
  );
  return rows[0]!.revision;
}
