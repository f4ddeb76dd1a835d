/**
 * Attempts to sign in. Each is counted before its secret is looked at, in one statement, so that of any number at once
 * no more are tried than are allowed. Too many are refused for a while; before that each takes longer than the last.
 */
import { shopId } from '@tetrad/contracts';
import type { ShopId } from '@tetrad/contracts';
import { setTimeout as wait } from 'node:timers/promises';
import { Refusal, problem } from '../platform/http/problem';
import type { Sql } from '../platform/database/pool';
import { forget, takeAttempt } from './attempts.sql';
import type { Counter } from './attempts.sql';
import { tokenHash } from './secrets';

/** Attempts are forgotten after this, minutes. */
const REMEMBERED_MIN = 15;
/** Failures that are answered at once; from then on each takes twice as long. */
const FREE = 3;
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 4000;

/** An account that was found, by its own id: however its name was written, the same counter. */
export const byPassword = (person: string): Counter => ({ key: `password ${person}`, max: 10, isOwn: true });
export const byPin = (person: string): Counter => ({ key: `pin ${person}`, max: 5, isOwn: true });
/** A name that nobody has is counted like one that somebody has, so that nothing is learned from the answer. */
export const byUnknownName = (shop: ShopId, name: string): Counter => {
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
export const NO_SHOP = shopId('?');

/**
 * Takes one attempt from each counter, and waits as long as the failures before it ask for.
 *
 * @throws Refusal 429 where one of them has none left.
 */
export async function reserveAttempt(sql: Sql, counters: readonly Counter[]): Promise<void> {
  const failures = await takeAttempt(sql, counters, REMEMBERED_MIN);
  if (failures.size < counters.length)
    throw new Refusal(
      problem(
        429,
        'too-many-attempts',
        `Too many wrong attempts. Try again in ${REMEMBERED_MIN} minutes, or ask an administrator for a new password.`,
      ),
      REMEMBERED_MIN * 60,
    );
  const own = counters.filter(({ isOwn }) => isOwn);
  const before = Math.max(0, ...own.map(({ key }) => failures.get(key)! - 1));
  if (before >= FREE) await wait(Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (before - FREE)));
}

/** A person who was given a new password may try it at once. */
export const forgetAttempts = (sql: Sql, person: string): Promise<void> =>
  forget(sql, [byPassword(person).key, byPin(person).key]);
