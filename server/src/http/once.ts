/** Every write is done once, however often it is sent: its sender's id stands in the header `Write-Id`. */
import { createHash } from 'node:crypto';
import type { Request } from 'express';
import { inTransaction } from '../sql/pool';
import type { Pool, Sql } from '../sql/pool';
import { workingShop } from '../sql/working-shop';
import { Refusal, misfit, problem } from './problem';

export const WRITE_ID = 'write-id';
const FORM = /^[\w.:-]{8,120}$/;

/** The sender's id of a write; null where it has none. @throws Refusal for one that is no id. */
export function writeId(request: Request): string | null {
  const id = request.get(WRITE_ID);
  if (id === undefined) return null;
  if (!FORM.test(id))
    throw misfit([
      { field: 'Write-Id', found: JSON.stringify(id.slice(0, 130)), allowed: '8 to 120 letters, digits and . _ : -' },
    ]);
  return id;
}

/** What was asked; the age of what was entered grows from one sending to the next and is left out. */
function digestOf({ method, originalUrl, body }: Request): Buffer {
  const { secondsAgo: _age, ...asked } = (body ?? {}) as Record<string, unknown>;
  return createHash('sha256')
    .update(`${method} ${originalUrl}\n${JSON.stringify(asked)}`)
    .digest();
}

/** Does a write in a transaction of its own, once; nothing where it was done before. */
export const doOnce = (pool: Pool, request: Request, work: (sql: Sql) => Promise<unknown>): Promise<void> =>
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
  const id = writeId(request);
  if (id === null) return false;
  const digest = digestOf(request);
  const { rowCount } = await sql.query(
    'INSERT INTO write (shop_id, write_id, digest) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING',
    [workingShop(), id, digest],
  );
  if (rowCount === 1) return false;
  const { rows } = await sql.query<{ digest: Buffer }>(
    'SELECT digest FROM write WHERE shop_id = $1 AND write_id = $2',
    [workingShop(), id],
  );
  if (rows[0]?.digest.equals(digest)) return true;
  throw new Refusal(problem(409, 'id-taken', `Write ${id} was sent before with other content.`));
}
