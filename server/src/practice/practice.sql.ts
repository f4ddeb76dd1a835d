import type { PracticeResultView, PracticedPerson, ShopId } from '@tetrad/contracts';
import type { PracticeResult } from '@tetrad/core';
import type { Sql } from '../platform/database/pool';

/** So many of a person's newest results are told. */
const TOLD = 500;

interface Kept {
  readonly id: string;
  readonly person: string;
  readonly result: PracticeResult;
}

/** Keeps a result; one that is there already stays as it is. */
export async function addResult(sql: Sql, shop: ShopId, { id, person, result }: Kept): Promise<void> {
  await sql.query(
    `INSERT INTO practice_result (shop_id, result_id, person_id, called_at, result) VALUES ($1, $2, $3, $4, $5)
     ON CONFLICT DO NOTHING`,
    [shop, id, person, result.at, result],
  );
}

/** A person's results, the oldest of the told ones first. */
export async function listResults(sql: Sql, shop: ShopId, person: string): Promise<readonly PracticeResultView[]> {
  const { rows } = await sql.query<{ readonly id: string; readonly result: PracticeResult }>(
    `SELECT result_id AS id, result FROM practice_result WHERE shop_id = $1 AND person_id = $2
      ORDER BY called_at DESC, result_id LIMIT ${TOLD}`,
    [shop, person],
  );
  return rows.map(({ id, result }) => ({ ...result, id })).reverse();
}

/** Everybody who works in the shop, with what they practiced. */
export async function listClass(sql: Sql, shop: ShopId): Promise<readonly PracticedPerson[]> {
  const { rows } = await sql.query<PracticedPerson>(
    `SELECT p.person_id AS id, p.name, coalesce(r.results, '[]') AS results
       FROM person p
       LEFT JOIN LATERAL (
         SELECT jsonb_agg(n.result || jsonb_build_object('id', n.result_id) ORDER BY n.called_at, n.result_id DESC) AS results
           FROM (SELECT result_id, called_at, result FROM practice_result
                  WHERE shop_id = $1 AND person_id = p.person_id
                  ORDER BY called_at DESC, result_id LIMIT ${TOLD}) n) r ON true
      WHERE p.shop_id = $1 AND p.active ORDER BY lower(p.name), p.person_id`,
    [shop],
  );
  return rows;
}
