import type { JobId, PastJudgementView, ShopId } from '@tetrad/contracts';
import { CORE_VERSION } from '@tetrad/core';
import type { Judgement, Profile } from '@tetrad/core';
import { packed, unpacked, written } from './pack-judgement';
import type { Said, Written } from './pack-judgement';
import type { Sql } from '../platform/database/pool';

/** After so many changes one is stored whole again, so that none takes long to put together. */
const WHOLE_EVERY = 64;

/** How the newest judgement of a job is stored; its document is read with the job. */
export interface NewestRow {
  readonly profile: Profile;
  readonly seq: string;
  readonly criteriaId: string;
  readonly criteriaVersion: number;
  readonly coreVersion: string;
  /** Null of one that an earlier version stored. */
  readonly digest: Buffer | null;
  /** Judgements since the last that is stored whole. */
  readonly changes: number;
}

export const newestRow = async (sql: Sql, shop: ShopId, job: JobId): Promise<NewestRow | null> => {
  const { rows } = await sql.query<NewestRow>(
    `SELECT seq, criteria_id AS "criteriaId", criteria_version AS "criteriaVersion", core_version AS "coreVersion",
            profile,
            (SELECT digest FROM judgement j WHERE j.shop_id = $1 AND j.job_id = $2 AND j.seq = n.seq) AS digest,
            (SELECT count(*)::integer FROM judgement
              WHERE shop_id = $1 AND job_id = $2 AND base IS NOT NULL
                AND seq > coalesce((SELECT max(seq) FROM judgement WHERE shop_id = $1 AND job_id = $2 AND base IS NULL), 0)
            ) AS changes
       FROM judgement_newest n WHERE shop_id = $1 AND job_id = $2`,
    [shop, job],
  );
  return rows[0] ?? null;
};

/** What the next judgement of a job is told as a change of. */
export interface Follows {
  readonly said: Said;
  readonly seq: number;
  /** Judgements since the last that is stored whole. */
  readonly changes: number;
}

export interface ToStore {
  readonly now: Written;
  readonly follows: Follows | null;
  readonly criteria: { readonly id: string; readonly version: number };
  readonly coreVersion: string;
  /** The place and time it had where it comes from; now, and the next place, where it was made here. */
  readonly as?: { readonly seq: number; readonly at: string };
}

/**
 * Stores a judgement with the criteria and the core it was made by; the same as before is not stored again. The job is
 * locked by the caller.
 *
 * @param before The newest until now; null where this is the first.
 */
export async function addJudgement(
  sql: Sql,
  shop: ShopId,
  job: JobId,
  before: (NewestRow & Pick<Said, 'document'>) | null,
  said: Said,
): Promise<void> {
  const now = written(said);
  const { id, version } = said.document.criteria;
  const isSame =
    before !== null &&
    before.criteriaId === id &&
    before.criteriaVersion === version &&
    before.coreVersion === CORE_VERSION &&
    (before.digest?.equals(now.digest) ?? false);
  if (isSame) return;
  const follows = before && {
    said: { document: before.document, profile: before.profile },
    seq: Number(before.seq),
    changes: before.changes,
  };
  await storeJudgement(sql, shop, job, { now, follows, criteria: { id, version }, coreVersion: CORE_VERSION });
}

/** Stores a judgement as what changed since the one it follows, or whole. @returns it, for the next to follow. */
export async function storeJudgement(sql: Sql, shop: ShopId, job: JobId, given: ToStore): Promise<Follows> {
  const { now, follows, criteria, coreVersion, as } = given;
  const isLong = follows === null || follows.changes >= WHOLE_EVERY;
  const { packed: bytes, digest, isChange } = packed(isLong ? null : follows.said, now);
  const values: unknown[] = [shop, job, criteria.id, criteria.version, coreVersion];
  values.push(isChange ? follows!.seq : null, bytes, digest, now.document, now.profile);
  if (as) values.push(as.seq, as.at);
  const { rows } = await sql.query<{ seq: string }>(
    `WITH added AS (
       INSERT INTO judgement (shop_id, job_id, criteria_id, criteria_version, core_version, base, packed, digest${
         as ? ', seq, judged_at) OVERRIDING SYSTEM VALUE' : ')'
       }
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8${as ? ', $11, $12' : ''}) RETURNING seq)
     INSERT INTO judgement_newest (shop_id, job_id, seq, criteria_id, criteria_version, core_version, document, profile)
     SELECT $1, $2, seq, $3, $4, $5, $9, $10 FROM added
     ON CONFLICT (shop_id, job_id) DO UPDATE
       SET seq = excluded.seq, criteria_id = excluded.criteria_id, criteria_version = excluded.criteria_version,
           core_version = excluded.core_version, document = excluded.document, profile = excluded.profile
     RETURNING seq`,
    values,
  );
  return { said: now.said, seq: Number(rows[0]!.seq), changes: isChange ? follows!.changes + 1 : 0 };
}

/** The newest judgement of a job, or null. */
export async function newestJudgement(sql: Sql, shop: ShopId, job: JobId): Promise<Judgement | null> {
  const { rows } = await sql.query<{ document: Judgement }>(
    'SELECT document FROM judgement_newest WHERE shop_id = $1 AND job_id = $2',
    [shop, job],
  );
  return rows[0]?.document ?? null;
}

/** A judgement of the past, in short. */
/** Every judgement of a job, the newest first. */
export async function listJudgements(sql: Sql, shop: ShopId, job: JobId): Promise<readonly PastJudgementView[]> {
  const { rows } = await sql.query<{ seq: string; at: Date; id: string; version: number; coreVersion: string }>(
    `SELECT seq, judged_at AS at, criteria_id AS id, criteria_version AS version, core_version AS "coreVersion"
       FROM judgement WHERE shop_id = $1 AND job_id = $2 ORDER BY seq DESC LIMIT 1000`,
    [shop, job],
  );
  return rows.map(({ seq, at, id, version, coreVersion }) => ({
    seq: Number(seq),
    at: at.toISOString(),
    criteria: { id, version },
    coreVersion,
  }));
}

interface StoredRow {
  readonly seq: string;
  readonly base: string | null;
  readonly packed: Buffer | null;
  readonly digest: Buffer;
  readonly document: Judgement | null;
  readonly profile: Profile | null;
}

/** What was said at a time, put together from the last whole one before it; null where the job has no such judgement. */
export async function judgementAt(sql: Sql, shop: ShopId, job: JobId, seq: number): Promise<Said | null> {
  const { rows } = await sql.query<StoredRow>(
    `SELECT seq, base, packed, digest, document, profile FROM judgement
      WHERE shop_id = $1 AND job_id = $2 AND seq <= $3
        AND seq >= coalesce((SELECT max(seq) FROM judgement
                              WHERE shop_id = $1 AND job_id = $2 AND seq <= $3 AND base IS NULL), 0)
      ORDER BY seq`,
    [shop, job, seq],
  );
  if (Number(rows.at(-1)?.seq) !== seq) return null;
  return rows.reduce<Said | null>(
    (before, { base, packed: bytes, digest, document, profile }) =>
      bytes === null
        ? { document: document!, profile: profile! }
        : unpacked(before, { packed: bytes, isChange: base !== null, digest }),
    null,
  );
}
