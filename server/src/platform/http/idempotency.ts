/**
 * Every write is done once, however often it is sent: its sender's id stands in the header `Idempotency-Key` (the
 * IETF HTTPAPI draft of that name). `Write-Id` is its name before version 0.3.
 */
import { createHash } from 'node:crypto';
import type { Request } from 'express';
import { inTransaction } from '../database/pool';
import type { Pool, Sql } from '../database/pool';
import { workingShop } from '../database/working-shop';
import { Refusal, misfit, problem } from './problem';

export const IDEMPOTENCY_KEY = 'Idempotency-Key';
const EARLIER_NAME = 'Write-Id';
const FORM = /^[\w.:-]{8,120}$/;

/**
 * Writes a record that says nothing into PostgreSQL's log. A repeat is answered when that is committed: where a standby
 * confirms commits it then has the write itself too, whose own wait may have been cut short.
 */
export const confirmRepeat = (sql: Sql): Promise<unknown> =>
  sql.query("SELECT pg_logical_emit_message(true, 'tetrad', $1)", ['repeat']);

/** The draft writes the key as a quoted string; without quotes it is taken as well. */
const unquoted = (text: string): string => /^"(.*)"$/.exec(text)?.[1] ?? text;

/** The sender's id of a write; null where it has none. @throws Refusal for one that is no id. */
export function idempotencyKey(request: Request): string | null {
  const given = request.get(IDEMPOTENCY_KEY) ?? request.get(EARLIER_NAME);
  if (given === undefined) return null;
  const key = unquoted(given);
  if (!FORM.test(key))
    throw misfit([
      {
        field: IDEMPOTENCY_KEY,
        found: JSON.stringify(given.slice(0, 130)),
        allowed: '8 to 120 letters, digits and . _ : -',
      },
    ]);
  return key;
}

/** What was asked; the age of what was entered grows from one sending to the next and is left out. */
function digestOf({ method, originalUrl, body }: Request): Buffer {
  const { secondsAgo: _age, ...asked } = (body ?? {}) as Record<string, unknown>;
  return createHash('sha256')
    .update(`${method} ${originalUrl}\n${JSON.stringify(asked)}`)
    .digest();
}

/** Does a write in a transaction of its own, once; nothing where it was done before. */
export const runIdempotent = (pool: Pool, request: Request, work: (sql: Sql) => Promise<unknown>): Promise<void> =>
  inTransaction(pool, async (sql) => {
    if (!(await isRepeat(sql, request))) await work(sql);
  });

/**
 * Notes a write in the transaction that does it. Of two at once the second waits for the first.
 *
 * @returns true where it was done before: it is to be answered, and not done again.
 * @throws Refusal 409 where the same id came with something else.
 */
export async function isRepeat(sql: Sql, request: Request): Promise<boolean> {
  const key = idempotencyKey(request);
  if (key === null) return false;
  const digest = digestOf(request);
  const { rowCount } = await sql.query(
    'INSERT INTO write (shop_id, write_id, digest) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING',
    [workingShop(), key, digest],
  );
  if (rowCount === 1) return false;
  const { rows } = await sql.query<{ digest: Buffer }>(
    'SELECT digest FROM write WHERE shop_id = $1 AND write_id = $2',
    [workingShop(), key],
  );
  if (rows[0]?.digest.equals(digest)) {
    await confirmRepeat(sql);
    return true;
  }
  throw new Refusal(problem(409, 'id-taken', `The write ${key} was sent before with other content.`));
}
