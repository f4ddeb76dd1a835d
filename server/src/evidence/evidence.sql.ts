import type { JobId, ShopId, ReadingId } from '@tetrad/contracts';
import { waitsEndedBy } from '@tetrad/core';
import type { Observation, Reading } from '@tetrad/core';
import type { Sql } from '../platform/database/pool';

/** The readings of a job in the order they were entered, voids included as the format has them. @param job What holds its id. */
export const readingsOf = (job: string): string => `SELECT coalesce(jsonb_agg(CASE WHEN x.reason IS NULL THEN r.document
    ELSE r.document || jsonb_build_object('void', x.reason) END ORDER BY r.seq), '[]')
  FROM reading r LEFT JOIN reading_void x USING (shop_id, job_id, reading_id) WHERE r.shop_id = $1 AND r.job_id = ${job}`;

/** The observations of a job that were not taken back. @param job What holds its id. */
export const observationsOf = (job: string): string => `SELECT coalesce(jsonb_agg(o.document ORDER BY o.seq), '[]')
  FROM observation o LEFT JOIN observation_taken_back t USING (shop_id, job_id, observation_id)
 WHERE o.shop_id = $1 AND o.job_id = ${job} AND t.observation_id IS NULL`;

/** Adds a reading, and ends the waits it leaves nothing to wait for; nothing where its id is taken already. */
export async function addReading(sql: Sql, shop: ShopId, job: JobId, reading: Reading): Promise<void> {
  await sql.query(
    `WITH added AS (
       INSERT INTO reading (shop_id, job_id, reading_id, test, document) VALUES ($1, $2, $3, $4, $5)
       ON CONFLICT DO NOTHING RETURNING 1)
     UPDATE timer SET stopped_at = clock_timestamp()
      WHERE shop_id = $1 AND job_id = $2 AND stopped_at IS NULL AND kind = ANY ($6) AND EXISTS (SELECT FROM added)`,
    [shop, job, reading.id, reading.test, reading, waitsEndedBy(reading)],
  );
}

/** Adds the readings of an import, in their order, with their voids; the job is new. */
export async function addReadings(sql: Sql, shop: ShopId, job: JobId, readings: readonly Reading[]): Promise<void> {
  await sql.query(
    `INSERT INTO reading (shop_id, job_id, reading_id, test, document)
     SELECT $1, $2, r->>'id', r->>'test', r - 'void'
       FROM jsonb_array_elements($3::jsonb) WITH ORDINALITY AS given (r, place) ORDER BY place`,
    [shop, job, JSON.stringify(readings)],
  );
  await sql.query(
    `INSERT INTO reading_void (shop_id, job_id, reading_id, reason)
     SELECT $1, $2, r->>'id', r->>'void' FROM jsonb_array_elements($3::jsonb) AS given (r)`,
    [shop, job, JSON.stringify(readings.filter((reading) => reading.void !== undefined))],
  );
}

/** Voids a reading where the job has it; the first reason stays. */
export async function voidReading(
  sql: Sql,
  shop: ShopId,
  job: JobId,
  id: ReadingId,
  { reason, by }: { readonly reason: string; readonly by: string | null },
): Promise<void> {
  await sql.query(
    `INSERT INTO reading_void (shop_id, job_id, reading_id, reason, voided_by)
     SELECT shop_id, job_id, reading_id, $4, $5 FROM reading
      WHERE shop_id = $1 AND job_id = $2 AND reading_id = $3
     ON CONFLICT DO NOTHING`,
    [shop, job, id, reason, by],
  );
}

/** Adds an observation; nothing where its id is taken already. @returns the one that is stored under the id. */
export async function addObservation(
  sql: Sql,
  shop: ShopId,
  job: JobId,
  id: string,
  observation: Observation,
): Promise<Observation> {
  const { rows } = await sql.query<{ document: Observation }>(
    `WITH added AS (
       INSERT INTO observation (shop_id, job_id, observation_id, document) VALUES ($1, $2, $3, $4)
       ON CONFLICT DO NOTHING RETURNING document)
     SELECT document FROM added
      UNION ALL SELECT document FROM observation WHERE shop_id = $1 AND job_id = $2 AND observation_id = $3 LIMIT 1`,
    [shop, job, id, observation],
  );
  return rows[0]?.document ?? observation; // somebody stores the same just now
}

/** Takes an observation back; the row stays. @returns false where the job has no such observation. */
export async function takeBackObservation(sql: Sql, shop: ShopId, job: JobId, id: string): Promise<boolean> {
  const { rows } = await sql.query(
    `WITH known AS (SELECT shop_id, job_id, observation_id FROM observation
                     WHERE shop_id = $1 AND job_id = $2 AND observation_id = $3),
          taken AS (INSERT INTO observation_taken_back (shop_id, job_id, observation_id) SELECT * FROM known
                    ON CONFLICT (shop_id, job_id, observation_id) DO NOTHING)
     SELECT FROM known`,
    [shop, job, id],
  );
  return rows.length === 1;
}
