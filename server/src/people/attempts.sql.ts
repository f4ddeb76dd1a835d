/**
 * Attempts to sign in. Each is counted before its secret is looked at, in one statement, so that of any number at once
 * no more are tried than are allowed. Too many are refused for a while; before that each takes longer than the last.
 */
import { setTimeout as wait } from 'node:timers/promises';
import { Refusal, problem } from '../http/problem';
import type { Sql } from '../sql/pool';
import { workingShop } from '../sql/working-shop';
import { tokenHash } from './secrets';

/** Attempts are forgotten after this, minutes. */
const REMEMBERED_MIN = 15;
/** Failures that are answered at once; from then on each takes twice as long. */
const FREE = 3;
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 4000;

/** What attempts are counted by. */
export interface Counter {
  readonly key: string;
  readonly max: number;
  /** Belongs to one account: whoever proves to be its owner starts again from none. Others only get this attempt back. */
  readonly isOwn: boolean;
}

/** An account that was found, by its own id: however its name was written, the same counter. */
export const byPassword = (person: string): Counter => ({ key: `password ${person}`, max: 10, isOwn: true });
export const byPin = (person: string): Counter => ({ key: `pin ${person}`, max: 5, isOwn: true });
/** A name that nobody has is counted like one that somebody has, so that nothing is learned from the answer. */
export const byUnknownName = (shop: string, name: string): Counter => {
  const canonical = name.normalize('NFKC').trim().toLowerCase();
  return byPassword(tokenHash(`${shop} ${canonical}`).toString('base64url'));
};
export const byAddress = (address: string | undefined): Counter => ({
  key: `address ${address ?? ''}`,
  max: 50,
  isOwn: false,
});
export const byShop: Counter = { key: 'shop', max: 300, isOwn: false };
export const byDevice = (session: string): Counter => ({
  key: `device ${tokenHash(session).toString('base64url')}`,
  max: 15,
  isOwn: false,
});

/** Where attempts are counted that name a shop that is not there. */
export const NO_SHOP = '?';

/**
 * Takes one attempt from each counter, and waits as long as the failures before it ask for.
 *
 * @throws Refusal 429 where one of them has none left.
 */
export async function reserveAttempt(sql: Sql, counters: readonly Counter[]): Promise<void> {
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
    [workingShop(), counters.map(({ key }) => key), counters.map(({ max }) => max), REMEMBERED_MIN],
  );
  if (rows.length < counters.length)
    throw new Refusal(
      problem(
        429,
        'too-many-attempts',
        `Too many wrong attempts. Try again in ${REMEMBERED_MIN} minutes, or ask an administrator for a new password.`,
      ),
      REMEMBERED_MIN * 60,
    );
  const own = new Set(counters.filter(({ isOwn }) => isOwn).map(({ key }) => key));
  const before = Math.max(0, ...rows.filter(({ key }) => own.has(key)).map(({ failures }) => failures - 1));
  if (before >= FREE) await wait(Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (before - FREE)));
}

/** The secret was right: what went wrong before with this account is forgotten, and the others get this attempt back. */
export async function attemptSucceeded(sql: Sql, counters: readonly Counter[]): Promise<void> {
  const keys = (isOwn: boolean) => counters.filter((one) => one.isOwn === isOwn).map(({ key }) => key);
  await sql.query('DELETE FROM attempt WHERE shop_id = $1 AND key = ANY ($2)', [workingShop(), keys(true)]);
  await sql.query('UPDATE attempt SET failures = greatest(failures - 1, 0) WHERE shop_id = $1 AND key = ANY ($2)', [
    workingShop(),
    keys(false),
  ]);
}

/** A person who was given a new password may try it at once. */
export async function forgetAttempts(sql: Sql, person: string): Promise<void> {
  const keys = [byPassword(person).key, byPin(person).key];
  await sql.query('DELETE FROM attempt WHERE shop_id = $1 AND key = ANY ($2)', [workingShop(), keys]);
}
