import type { JobId, ShopId } from '@tetrad/contracts';
import { may } from '@tetrad/contracts';
import type { NewSignOff, Role } from '@tetrad/contracts';
import type { Decision } from '@tetrad/core';
import type { SignedIn } from '../people/session-store';
import { isoTime } from '../platform/database/iso-time';
import type { Sql } from '../platform/database/pool';

const FIELDS = `'id', sign_off_id, 'by', signed_by, 'at', ${isoTime('signed_at')},
  'action', action, 'part', part, 'reason', reason, 'conclusion', conclusion, 'partsFitted', parts_fitted,
  'comment', comment, 'solved', solved, 'judged', judged`;
const OF_JOB = `FROM sign_off WHERE shop_id = $1 AND job_id = $2`;
/** What was brought in from a file is no sign-off of this shop. */
const OF_THIS_SHOP = 'imported_at IS NULL';
/** One stands until its job is opened again. @param row What its row is called. */
const stands = (row: string): string =>
  `NOT EXISTS (SELECT FROM sign_off_superseded x
     WHERE x.shop_id = ${row}.shop_id AND x.job_id = ${row}.job_id AND x.sign_off_id = ${row}.sign_off_id)`;

/** The sign-off that stands of the job in a row `j`; earlier ones stay stored. */
export const SIGN_OFF_OF_ROW = `SELECT jsonb_build_object(${FIELDS}) FROM sign_off s
  WHERE s.shop_id = j.shop_id AND s.job_id = j.job_id AND ${OF_THIS_SHOP} AND ${stands('s')} ORDER BY seq DESC LIMIT 1`;

/** The sign-off that stands of job $2; earlier ones stay stored. */
export const SIGN_OFF = `SELECT jsonb_build_object(${FIELDS}) ${OF_JOB} AND ${OF_THIS_SHOP} AND ${stands('sign_off')}
  ORDER BY seq DESC LIMIT 1`;

/** The newest of job $2 that stands no longer, with who opened the job again. */
export const SUPERSEDED_SIGN_OFF = `SELECT jsonb_build_object(${FIELDS}, 'superseded',
    jsonb_build_object('by', superseded_by, 'at', ${isoTime('superseded_at')}))
  FROM sign_off JOIN sign_off_superseded x USING (shop_id, job_id, sign_off_id)
  WHERE shop_id = $1 AND job_id = $2 ORDER BY seq DESC LIMIT 1`;

/** Notes that no sign-off of a job stands any more. @param by Who opened it again. */
export const supersedeSignOffs = (sql: Sql, shop: ShopId, job: JobId, by: string): Promise<unknown> =>
  sql.query(
    `INSERT INTO sign_off_superseded (shop_id, job_id, sign_off_id, superseded_by)
     SELECT $1, $2, sign_off_id, $3 ${OF_JOB} AND ${OF_THIS_SHOP} ON CONFLICT DO NOTHING`,
    [shop, job, by],
  );

/** The newest that was brought in with job $2. */
export const IMPORTED_SIGN_OFF = `SELECT jsonb_build_object(${FIELDS}, 'imported',
    jsonb_build_object('by', imported_by, 'at', ${isoTime('imported_at')}))
  ${OF_JOB} AND NOT ${OF_THIS_SHOP} ORDER BY seq DESC LIMIT 1`;

/** Whether a job was ever signed off in this shop. */
export async function isSignedOff(sql: Sql, shop: ShopId, job: JobId): Promise<boolean> {
  const { rows } = await sql.query(`SELECT 1 ${OF_JOB} AND ${OF_THIS_SHOP} LIMIT 1`, [shop, job]);
  return rows.length > 0;
}

/** Parts that judgement `g` keeps, with the tests that found them good: looked at long after, for many jobs at once. */
const KEPT = `(SELECT jsonb_agg(jsonb_build_object('part', p.key,
     'tests', jsonb_path_query_array(p.value::jsonb, '$.with.readings[*].test')))
  FROM json_each(g.document->'parts') p WHERE p.value->>'verdict' = 'keep')`;

/** Who signs a job off. */
export interface Signer {
  readonly name: string;
  readonly id: string | null;
  readonly kind: 'person' | 'key' | 'import';
  /** Null where that is not known here: of a sign-off that is brought in from a file. */
  readonly role: Role | null;
}

/** What else is known of a sign-off. */
export interface SignedHow {
  /** Now where nothing else is said. */
  readonly at?: Date;
  /** Who brings it in from a file. */
  readonly importedBy?: string;
  /** How probable the judge called what it decided. */
  readonly probability?: number | null;
}

/**
 * Whether somebody may open a job again: those who lead may, and so may the others unless somebody who leads has signed
 * it off.
 */
export async function mayReopen(sql: Sql, shop: ShopId, job: JobId, { person, role }: SignedIn): Promise<boolean> {
  if (may(role, 'differ')) return true;
  const { rows } = await sql.query<{ by: string | null; role: Role | null }>(
    `SELECT signer_id AS by, coalesce(signer_role, (SELECT role FROM person WHERE shop_id = $1 AND person_id = signer_id)) AS role
       ${OF_JOB} AND ${OF_THIS_SHOP} ORDER BY seq DESC LIMIT 1`,
    [shop, job],
  );
  const [signed] = rows;
  return !signed || signed.by === person || (signed.role !== null && !may(signed.role, 'differ'));
}

/**
 * Adds a sign-off beside the judge's decision at that time. A repeat of the same id changes nothing.
 */
export async function addSignOff(
  sql: Sql,
  shop: ShopId,
  job: JobId,
  body: NewSignOff,
  signer: Signer,
  judged: Decision | null,
  { at, importedBy, probability }: SignedHow = {},
): Promise<void> {
  await sql.query(
    `INSERT INTO sign_off (shop_id, job_id, sign_off_id, signed_by, action, part, reason, conclusion, parts_fitted, comment, solved, judged, signed_at,
       signer_role, imported_by, imported_at, probability, signer_id, signer_kind, kept)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, coalesce($13, now()),
       $14, $15, CASE WHEN $15::text IS NOT NULL THEN now() END, $16, $17, $18,
       coalesce((SELECT ${KEPT} FROM judgement_newest g WHERE g.shop_id = $1 AND g.job_id = $2), '[]')) ON CONFLICT DO NOTHING`,
    [
      shop,
      job,
      body.id,
      signer.name,
      body.action,
      body.part ?? null,
      body.reason?.trim() || null,
      body.conclusion,
      JSON.stringify(body.partsFitted),
      body.comment?.trim() || null,
      body.solved ?? null,
      judged,
      at ?? null,
      signer.role,
      importedBy ?? null,
      probability ?? null,
      signer.id,
      signer.kind,
    ],
  );
}

/** Whether a sign-off of that id is stored: a repeat changes nothing. */
export async function isStoredSignOff(sql: Sql, shop: ShopId, job: JobId, id: string): Promise<boolean> {
  const { rows } = await sql.query(`SELECT 1 ${OF_JOB} AND sign_off_id = $3`, [shop, job, id]);
  return rows.length > 0;
}
