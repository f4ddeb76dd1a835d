import type { Sql } from '../platform/database/pool';
import { workingShop } from '../platform/database/working-shop';

/** What attempts are counted by. */
export interface Counter {
  readonly key: string;
  readonly max: number;
  /** Belongs to one account: whoever proves to be its owner starts again from none. Others only get this attempt back. */
  readonly isOwn: boolean;
}

/**
 * Takes one attempt from each counter, in one statement: of any number at once no more are tried than are allowed.
 *
 * @param rememberedMin Attempts older than this are forgotten, minutes.
 * @returns the failures of each counter that had an attempt left, this one included.
 */
export async function takeAttempt(
  sql: Sql,
  counters: readonly Counter[],
  rememberedMin: number,
): Promise<ReadonlyMap<string, number>> {
  const { rows } = await sql.query<{ key: string; failures: number }>(
    `WITH forgotten AS (
       DELETE FROM attempt
        WHERE shop_id = $1 AND failed_at < now() - make_interval(mins => $4) AND key <> ALL ($2))
     INSERT INTO attempt (shop_id, key, failures, failed_at)
     SELECT $1, key, 1, now() FROM unnest($2::text[]) AS key ORDER BY key
     ON CONFLICT (shop_id, key) DO UPDATE
       SET failures = CASE WHEN attempt.failed_at > now() - make_interval(mins => $4) THEN attempt.failures + 1 ELSE 1 END,
           failed_at = now()
     WHERE attempt.failures < ($3::integer[])[array_position($2::text[], excluded.key)]
        OR attempt.failed_at <= now() - make_interval(mins => $4)
     RETURNING key, failures`,
    [workingShop(), counters.map(({ key }) => key), counters.map(({ max }) => max), rememberedMin],
  );
  return new Map(rows.map(({ key, failures }) => [key, failures]));
}

/** The secret was right: what went wrong before with this account is forgotten, and the others get this attempt back. */
export async function attemptSucceeded(sql: Sql, counters: readonly Counter[]): Promise<void> {
  const keys = (isOwn: boolean) => counters.filter((one) => one.isOwn === isOwn).map(({ key }) => key);
  await forget(sql, keys(true));
  await sql.query('UPDATE attempt SET failures = greatest(failures - 1, 0) WHERE shop_id = $1 AND key = ANY ($2)', [
    workingShop(),
    keys(false),
  ]);
}

/** Forgets every failure of these counters. */
export async function forget(sql: Sql, keys: readonly string[]): Promise<void> {
  await sql.query('DELETE FROM attempt WHERE shop_id = $1 AND key = ANY ($2)', [workingShop(), keys]);
}
