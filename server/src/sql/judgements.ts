import { CORE_VERSION } from '@tetrad/core';
import type { Judgement, Profile } from '@tetrad/core';
import type { Sql } from './pool';

/** Stores a judgement with the criteria and the core it was made by; the same as before is not stored again. */
export async function addJudgement(
  sql: Sql,
  shop: string,
  job: string,
  judgement: Judgement,
  profile: Profile,
): Promise<void> {
  await sql.query(
    `INSERT INTO judgement (shop_id, job_id, criteria_id, criteria_version, core_version, document, profile)
     SELECT $1::text, $2::uuid, $3::text, $4::integer, $5::text, $6::jsonb, $7::jsonb
      WHERE NOT EXISTS (
        SELECT 1 FROM (SELECT * FROM judgement WHERE shop_id = $1 AND job_id = $2 ORDER BY seq DESC LIMIT 1) newest
         WHERE criteria_id = $3 AND criteria_version = $4 AND core_version = $5 AND document = $6 AND profile = $7)`,
    [shop, job, judgement.criteria.id, judgement.criteria.version, CORE_VERSION, judgement, JSON.stringify(profile)],
  );
}

/** The newest judgement of a job, or null. */
export async function newestJudgement(sql: Sql, shop: string, job: string): Promise<Judgement | null> {
  const { rows } = await sql.query<{ document: Judgement }>(
    'SELECT document FROM judgement WHERE shop_id = $1 AND job_id = $2 ORDER BY seq DESC LIMIT 1',
    [shop, job],
  );
  return rows[0]?.document ?? null;
}
