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
  const { rows } = await sql.query<{ readonly id: string; readonly name: string }>(
    'SELECT person_id AS id, name FROM person WHERE shop_id = $1 AND active ORDER BY lower(name), person_id',
    [shop],
  );
  const people: PracticedPerson[] = [];
  for (const { id, name } of rows) people.push({ id, name, results: await listResults(sql, shop, id) });
  return people;
}
