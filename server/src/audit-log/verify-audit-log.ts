/** Proves a shop's audit log unbroken, from its rows alone. */
import { createHash } from 'node:crypto';
import type { Sql } from '../platform/database/pool';
import { workingShop } from '../platform/database/working-shop';

export type Verified =
  | {
      readonly isWhole: true;
      readonly entries: number;
      /** Hash of the newest entry, hex; '' where there is none. */ readonly head: string;
    }
  | {
      readonly isWhole: false;
      readonly seq: number;
      /** The entry is missing, does not follow, or is not what was hashed; or what it tells of is stored otherwise. */
      readonly why: 'missing' | 'previous' | 'hash' | 'reading' | 'void' | 'observation';
    };

const PAGE = 1000;

/** Walks the working shop's record from its first entry; the first that does not follow is named. */
export async function verifyAuditLog(sql: Sql): Promise<Verified> {
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
    if (rows.length < PAGE)
      return (await changedEvidence(sql)) ?? { isWhole: true, entries: seq, head: head.toString('hex') };
  }
}

/**
 * The first entry whose evidence is not as it tells: a reading of another test or value, or one that is gone; a void or
 * an observation that is gone or other.
 */
async function changedEvidence(sql: Sql): Promise<Verified | null> {
  const { rows } = await sql.query<{ seq: string; why: 'reading' | 'void' | 'observation' }>(
    `WITH told AS MATERIALIZED (
       SELECT seq, entry::jsonb ->> 'what' AS what, (entry::jsonb ->> 'about')::uuid AS job, entry::jsonb -> 'detail' AS detail
         FROM act
        WHERE shop_id = $1
          AND entry::jsonb ->> 'what' IN ('reading-added', 'reading-voided', 'observed'))
     SELECT t.seq, CASE t.what WHEN 'reading-added' THEN 'reading' WHEN 'reading-voided' THEN 'void' ELSE 'observation' END AS why
       FROM told t
       LEFT JOIN reading r ON r.shop_id = $1 AND r.job_id = t.job AND r.reading_id = t.detail ->> 'reading'
       LEFT JOIN reading_void x ON x.shop_id = $1 AND x.job_id = t.job AND x.reading_id = t.detail ->> 'reading'
       LEFT JOIN observation o ON o.shop_id = $1 AND o.job_id = t.job
         AND o.observation_id::text = lower(t.detail ->> 'observation')
      WHERE NOT CASE t.what
        WHEN 'reading-added' THEN coalesce(r.test = t.detail ->> 'test' AND r.document ->> 'test' = r.test
                                           AND r.document -> 'value' = t.detail -> 'value', false)
        WHEN 'reading-voided' THEN x.reading_id IS NOT NULL
        ELSE coalesce(o.document ->> 'about' = t.detail ->> 'about'
                      AND o.document ->> 'finding' = t.detail ->> 'finding', false) END
      ORDER BY t.seq LIMIT 1`,
    [workingShop()],
  );
  const [first] = rows;
  return first ? { isWhole: false, seq: Number(first.seq), why: first.why } : null;
}
