/** Wrong passwords and PINs: each further one is answered more slowly, and too many are not tried at all for a while. */
import { setTimeout as wait } from 'node:timers/promises';
import { Refusal, problem } from '../http/problem';
import type { Sql } from '../sql/pool';
import { workingShop } from '../sql/working-shop';

/** Failures are forgotten after this, minutes. */
const REMEMBERED_MIN = 15;
/** Failures that are answered at once; from then on each takes twice as long. */
const FREE = 3;
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 4000;

/** Whose failures are counted, and how many there may be. */
export interface Counted {
  readonly key: string;
  readonly most: number;
}
export const byAccount = (name: string): Counted => ({ key: `account ${name.trim().toLowerCase()}`, most: 10 });
export const byPin = (person: string): Counted => ({ key: `pin ${person}`, most: 5 });
export const byAddress = (address: string | null): Counted => ({ key: `address ${address ?? ''}`, most: 50 });

async function failuresOf(sql: Sql, { key }: Counted): Promise<number> {
  const { rows } = await sql.query<{ failures: number }>(
    `SELECT failures FROM attempt
      WHERE shop_id = $1 AND key = $2 AND failed_at > now() - make_interval(mins => $3)`,
    [workingShop(), key, REMEMBERED_MIN],
  );
  return rows[0]?.failures ?? 0;
}

/** @throws Refusal 429 where too many went wrong; else waits as long as those that did ask for. */
export async function beforeAttempt(sql: Sql, counted: readonly Counted[]): Promise<void> {
  let most = 0;
  for (const one of counted) {
    const failures = await failuresOf(sql, one);
    if (failures >= one.most)
      throw new Refusal(
        problem(
          429,
          'too-many-attempts',
          `Too many wrong attempts. Try again in ${REMEMBERED_MIN} minutes, or ask an administrator for a new password.`,
        ),
        REMEMBERED_MIN * 60,
      );
    most = Math.max(most, failures);
  }
  if (most >= FREE) await wait(Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (most - FREE)));
}

export async function attemptFailed(sql: Sql, counted: readonly Counted[]): Promise<void> {
  for (const { key } of counted)
    await sql.query(
      `INSERT INTO attempt (shop_id, key, failures, failed_at) VALUES ($1, $2, 1, now())
       ON CONFLICT (shop_id, key) DO UPDATE
         SET failures = CASE WHEN attempt.failed_at > now() - make_interval(mins => $3) THEN attempt.failures + 1 ELSE 1 END,
             failed_at = now()`,
      [workingShop(), key, REMEMBERED_MIN],
    );
}

/** A right one: what went wrong before is forgotten. */
export async function attemptSucceeded(sql: Sql, counted: readonly Counted[]): Promise<void> {
  await sql.query('DELETE FROM attempt WHERE shop_id = $1 AND key = ANY ($2)', [
    workingShop(),
    counted.map(({ key }) => key),
  ]);
}
