import type { FloorRow, FloorSort, ImportedView, JobChanges, JobStatus, NewJob, VehicleView } from '@tetrad/contracts';
import type { Case, Judgement, Pass, Profile, SymptomName } from '@tetrad/core';
import { SYMPTOMS, WAIT_KINDS, decisionTone, decisionWords, isCount, stepName } from '@tetrad/core';
import { isoTime } from './iso-time';
import { cursorOf, pageOf, placeOf } from './page';
import type { Page } from './page';
import { seesJob } from '../people/access';
import type { Scope } from '../people/access';
import type { Sql } from './pool';
import { TIMER } from './timers';
import { VEHICLE, addVehicle, holdsWords } from './vehicles';

/** A job as its row stands, with its vehicle. */
export interface JobRow {
  readonly id: string;
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
  shop: string,
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
  shop: string,
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
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $9, $10, $11, $12, CASE WHEN $12::text IS NOT NULL THEN now() END) ON CONFLICT (shop_id, job_id) DO NOTHING`,
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
      options.criteria ?? 'balanced',
      options.importedBy ?? null,
    ],
  );
  return rowCount === 1;
}

/** Applies changes to a job of the version they were made on. @returns false where it has moved on. */
export async function changeJob(sql: Sql, shop: string, id: string, changes: JobChanges): Promise<boolean> {
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

interface FloorRecord extends Omit<
  FloorRow,
  'openedAt' | 'changedAt' | 'waitsFor' | 'decision' | 'readings' | 'words'
> {
  readonly openedAt: Date;
  readonly changedAt: Date;
  readonly decision: Judgement['decision'] | null;
  readonly waitsFor: FloorRow['waitsFor'];
  readonly profile: Profile | null;
  readonly readings: string;
  readonly cursor: string;
}

/** Which rows of the floor: a page by what changed or was opened last, or some by their ids. */
export interface FloorWanted {
  readonly status: JobStatus;
  readonly sort: FloorSort;
  readonly limit: number;
  /** Words that all must be found in the vehicle or in who has the job. */
  readonly find?: string | undefined;
  /** Where the page before ended. */
  readonly after?: string | undefined;
  readonly ids?: readonly string[] | undefined;
  readonly scope: Scope;
}

const SORT_COLUMNS: Readonly<Record<FloorSort, string>> = { changed: 'j.changed_at', opened: 'j.opened_at' };

/** A page of the jobs of a shop, each with its newest judgement in short. */
export async function listJobs(sql: Sql, shop: string, wanted: FloorWanted): Promise<Page<FloorRow>> {
  const column = SORT_COLUMNS[wanted.sort];
  const values: unknown[] = [shop, WAIT_KINDS.filter(isCount)];
  const value = (given: unknown): string => `$${values.push(given)}`;
  const conditions = ['j.shop_id = $1'];
  if (wanted.ids) conditions.push(`j.job_id = ANY (${value([...wanted.ids])})`);
  else conditions.push(`j.status = ${value(wanted.status)}`);
  conditions.push(seesJob('j', value(wanted.scope)));
  if (wanted.after) {
    conditions.push(`(${column}, j.job_id) < ${placeOf(wanted.after, value)}`);
  }
  const { rows } = await sql.query<FloorRecord>(
    `WITH page AS MATERIALIZED (
       SELECT j.job_id FROM ${jobsHolding(wanted.find, value)} WHERE ${conditions.join(' AND ')}
        ORDER BY ${column} DESC, j.job_id DESC LIMIT ${value(wanted.limit + 1)})
     SELECT j.job_id AS id, ${VEHICLE} AS vehicle, coalesce(j.complaint->'symptoms', '[]') AS symptoms, j.status, j.assignee,
            j.opened_at AS "openedAt", j.changed_at AS "changedAt",
            ${cursorOf(column, 'j.job_id')} AS cursor,
            g.document->'decision' AS decision, g.document->'next'->0->>'test' AS "waitsFor", g.profile,
            (SELECT count(*) FROM reading r WHERE r.shop_id = j.shop_id AND r.job_id = j.job_id) AS readings,
            (SELECT ${TIMER} FROM timer t WHERE t.shop_id = j.shop_id AND t.job_id = j.job_id AND t.stopped_at IS NULL AND t.kind <> ALL ($2)
              ORDER BY t.started_at + make_interval(secs => t.seconds) DESC LIMIT 1) AS timer
       FROM page
       JOIN job j ON j.shop_id = $1 AND j.job_id = page.job_id
       JOIN vehicle v ON v.shop_id = j.shop_id AND v.vehicle_id = j.vehicle_id
       LEFT JOIN judgement_newest g ON g.shop_id = j.shop_id AND g.job_id = j.job_id
      ORDER BY ${column} DESC, j.job_id DESC`,
    values,
  );
  const page = pageOf(rows, wanted.limit);
  return {
    next: page.next,
    rows: page.rows.map(({ cursor: _cursor, ...row }) => ({
      ...row,
      words: wordsOf(row),
      openedAt: row.openedAt.toISOString(),
      changedAt: row.changedAt.toISOString(),
      readings: Number(row.readings),
    })),
  };
}

/** The jobs that hold the words of a search, all looked through at once: in their order it would be one by one. */
function jobsHolding(find: string | undefined, value: (given: unknown) => string): string {
  const words = holdsWords(['v.search', 'j.search'], find, value);
  if (words.length === 0) return 'job j';
  return `(SELECT j.shop_id, j.job_id, j.status, j.assignee, j.opened_at, j.changed_at
             FROM job j JOIN vehicle v ON v.shop_id = j.shop_id AND v.vehicle_id = j.vehicle_id
            WHERE j.shop_id = $1 AND v.shop_id = $1 AND ${words.join(' AND ')} OFFSET 0) j`;
}

const wordsOf = ({
  symptoms,
  decision,
  waitsFor,
}: Pick<FloorRecord, 'symptoms' | 'decision' | 'waitsFor'>): FloorRow['words'] => ({
  complaint: symptoms.map((symptom) => SYMPTOMS[symptom as SymptomName]?.name ?? symptom).join(', '),
  waitsFor: decision && waitsFor ? stepName(waitsFor) : '',
  verdict: decision ? decisionWords(decision) : '',
  tone: decision ? decisionTone(decision) : 'open',
});

/** Notes a change of the job: its time, its revision, and so the news of it. @returns the new revision. */
export async function touchJob(sql: Sql, shop: string, id: string): Promise<number> {
  const { rows } = await sql.query<{ revision: number }>(
    `UPDATE job SET changed_at = now(), revision = revision + 1 WHERE shop_id = $1 AND job_id = $2
     RETURNING revision::float8 AS revision`,
    [shop, id],
  );
  return rows[0]!.revision;
}
