/** A whole shop in open formats: JSON lines for each table, recorded files as they were, cases for other programs. */
import type { ShopId } from '@tetrad/contracts';
import { recordOf } from '@tetrad/contracts';
import { storedBytes } from '../captures/captures.sql';
import { viewJob } from '../judgements/judge-job';
import { inTransaction } from '../platform/database/pool';
import type { Pool, Sql } from '../platform/database/pool';
import { findShop } from '../shops/shops.sql';
import { inShop } from '../platform/database/working-shop';
import type { ArchiveOut } from './archive-out';
import { SHOP_FORMAT, captureFile, tableFile } from './manifest';
import type { FileSum, Manifest } from './manifest';
import { ArchiveError } from './archive-error';
import { rowsOut } from './rows';
import { tablesOf } from './tables';

export interface Moved {
  readonly shop: ShopId;
  readonly rows: number;
  readonly captures: number;
}

/** Times in UTC and bytes in hexadecimal, whatever the server is set to; one moment for all tables. */
const PLAIN = `SET TRANSACTION ISOLATION LEVEL REPEATABLE READ, READ ONLY;
  SET LOCAL TimeZone = 'UTC'; SET LOCAL bytea_output = 'hex'`;

/** @param isMove See `tablesOf`. @throws ArchiveError where there is no such shop. */
export const exportShop = (pool: Pool, shop: ShopId, out: ArchiveOut, isMove = false): Promise<Moved> =>
  inShop(shop, () =>
    inTransaction(pool, async (sql) => {
      await sql.query(PLAIN);
      if (!(await findShop(sql, shop))) throw new ArchiveError(`there is no shop ${shop} in this database`);
      const tables: Record<string, number> = {};
      const files: Record<string, FileSum> = {};
      for (const table of await tablesOf(sql, isMove)) {
        const name = tableFile(table.name);
        const counted = new Counted(rowsOut(sql, table));
        files[name] = await out.file(name, counted);
        tables[table.name] = counted.lines;
      }
      const captures = await capturesOf(sql, shop);
      for (const capture of captures)
        files[captureFile(capture.id)] = await out.file(captureFile(capture.id), storedBytes(sql, shop, capture));
      files[CASES] = await out.file(CASES, casesOut(sql, shop));
      const manifest: Manifest = { format: SHOP_FORMAT, shop, tables, files };
      await out.close(`${JSON.stringify(manifest, null, 2)}\n`);
      const rows = Object.values(tables).reduce((sum, count) => sum + count, 0);
      return { shop, rows, captures: captures.length };
    }),
  );

async function capturesOf(sql: Sql, shop: ShopId): Promise<readonly { id: string; pieces: readonly number[] }[]> {
  const { rows } = await sql.query<{ id: string; pieces: number[] }>(
    `SELECT capture_id AS id, array_agg(number ORDER BY number) AS pieces FROM capture_piece
      WHERE shop_id = $1 GROUP BY capture_id ORDER BY capture_id`,
    [shop],
  );
  return rows;
}

/** Every job as a line of the open case format with its record, for other programs: an import does not read it. */
const CASES = 'cases.jsonl';
/** Jobs read at a time: their statements leave together. */
const CASES_BATCH = 100;

async function* casesOut(sql: Sql, shop: ShopId): AsyncGenerator<Buffer> {
  let after: string | null = null;
  for (;;) {
    const ids: readonly string[] = await jobsAfter(sql, shop, after);
    if (ids.length === 0) return;
    const views = await Promise.all(ids.map((id) => viewJob(sql, shop, id)));
    const lines = views.map((view) => `${JSON.stringify({ ...view!.case, job: recordOf(view!) })}\n`);
    yield Buffer.from(lines.join(''));
    after = ids.at(-1)!;
  }
}

async function jobsAfter(sql: Sql, shop: ShopId, after: string | null): Promise<readonly string[]> {
  const { rows } = await sql.query<{ id: string }>(
    `SELECT job_id AS id FROM job WHERE shop_id = $1 AND ($2::uuid IS NULL OR job_id > $2) ORDER BY job_id LIMIT ${CASES_BATCH}`,
    [shop, after],
  );
  return rows.map(({ id }) => id);
}

/** Lines, counted as they pass. */
class Counted implements AsyncIterable<Buffer> {
  lines = 0;

  constructor(private readonly content: AsyncIterable<Buffer>) {}

  async *[Symbol.asyncIterator](): AsyncGenerator<Buffer> {
    for await (const part of this.content) {
      for (const byte of part) if (byte === NEWLINE) this.lines++;
      yield part;
    }
  }
}
const NEWLINE = 10;
