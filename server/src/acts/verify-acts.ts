/** Proves a shop's record of acts unbroken, from its rows alone. */
import { createHash } from 'node:crypto';
import type { Sql } from '../sql/pool';
import { workingShop } from '../sql/working-shop';

export type Verified =
  | {
      readonly isWhole: true;
      readonly entries: number;
      /** Hash of the newest entry, hex; '' where there is none. */ readonly head: string;
    }
  | { readonly isWhole: false; readonly seq: number; readonly why: 'missing' | 'previous' | 'hash' };

const PAGE = 1000;

/** Walks the working shop's record from its first entry; the first that does not follow is named. */
export async function verifyActs(sql: Sql): Promise<Verified> {
  let seq = 0;
  let head: Buffer = Buffer.alloc(0);
  for (;;) {
    const { rows } = await sql.query<{ seq: string; entry: string; previous: Buffer; hash: Buffer }>(
      'SELECT seq, entry, previous, hash FROM act WHERE shop_id = $1 AND seq > $2 ORDER BY seq LIMIT $3',
      [workingShop(), seq, PAGE],
    );
    for (const row of rows) {
      const own = Number(row.seq);
      if (own !== seq + 1) return { isWhole: false, seq: seq + 1, why: 'missing' };
      if (!row.previous.equals(head)) return { isWhole: false, seq: own, why: 'previous' };
      const hash = createHash('sha256').update(head).update(row.entry, 'utf8').digest();
      if (!row.hash.equals(hash)) return { isWhole: false, seq: own, why: 'hash' };
      seq = own;
      head = hash;
    }
    if (rows.length < PAGE) return { isWhole: true, entries: seq, head: head.toString('hex') };
  }
}
