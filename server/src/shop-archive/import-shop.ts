/** A shop out of its archive, all of it or nothing. */
import type { ShopId } from '@tetrad/contracts';
import { createInterface } from 'node:readline';
import { text } from 'node:stream/consumers';
import { SHOP_ID, shopId } from '@tetrad/contracts';
import { inTransaction } from '../platform/database/pool';
import type { Pool, Sql } from '../platform/database/pool';
import { findShop } from '../shops/shops.sql';
import { inShop } from '../platform/database/working-shop';
import { verifyAuditLog } from '../audit-log/verify-audit-log';
import { checkFile, unreadable } from './archive-in';
import type { ArchiveIn } from './archive-in';
import { CaptureBytes } from './capture-bytes';
import type { Moved } from './export-shop';
import { MANIFEST, readManifest, tableFile } from './manifest';
import type { Manifest } from './manifest';
import { ArchiveError } from './archive-error';
import { RowsIn } from './rows';
import { LEFT_OUT, tablesOf } from './tables';
import type { Table } from './tables';

/**
 * @param as The id of the shop here; as in the archive where it is null.
 * @param isMove See `tablesOf`.
 * @throws ArchiveError that names the file, what was found and what is allowed; nothing is stored then.
 */
export async function importShop(pool: Pool, archive: ArchiveIn, as: ShopId | null, isMove = false): Promise<Moved> {
  const manifest = readManifest(await textOf(archive, MANIFEST));
  const shop = as ?? shopId(manifest.shop);
  if (!SHOP_ID.test(shop))
    throw new ArchiveError(`the shop’s id is ${shop}; allowed are 1 to 40 of a to z, 0 to 9 and -`);
  for (const [name, sum] of Object.entries(manifest.files)) await checkFile(archive, name, sum);
  return inShop(shop, () =>
    inTransaction(pool, async (sql) => {
      if (await findShop(sql, shop))
        throw new ArchiveError(`the shop ${shop} is there already: name another id with --shop`);
      const tables = await tablesOf(sql, isMove);
      const strange = Object.keys(manifest.tables).filter(
        (name) => !(name in LEFT_OUT) && !tables.some((table) => table.name === name),
      );
      if (strange.length > 0)
        throw new ArchiveError(`this version knows no table ${strange.join(', ')}: bring it up to date first`);
      everyTableIsProven(manifest);
      await sql.query("SELECT set_config('tetrad.archive', 'in', true)");
      let rows = 0;
      for (const table of tables)
        if (table.name in manifest.tables) rows += await fill(sql, shop, table, archive, manifest);
      if (!isMove) await switchWebhooksOff(sql, shop);
      const verified = await verifyAuditLog(sql);
      if (!verified.isWhole)
        throw new ArchiveError(`the audit log of this archive is broken at entry ${verified.seq} (${verified.why})`);
      const captures = Object.keys(manifest.files).filter((name) => name.startsWith('captures/')).length;
      return { shop, rows, captures };
    }),
  );
}

/** Webhooks of a copy send nothing before somebody sets them again, and then by a secret of their own. */
const switchWebhooksOff = (sql: Sql, shop: ShopId): Promise<unknown> =>
  sql.query(
    `UPDATE webhook SET is_off = true,
            secret = 'whsec_' || encode(sha256(convert_to(gen_random_uuid()::text || gen_random_uuid()::text, 'UTF8')), 'base64')
      WHERE shop_id = $1`,
    [shop],
  );

async function textOf(archive: ArchiveIn, name: string): Promise<string> {
  try {
    return await text(await archive.open(name));
  } catch (error) {
    throw unreadable(name, error);
  }
}

/** The rows of a table are read only from a file whose sum is told, and no such file is passed over. */
function everyTableIsProven({ tables, files }: Manifest): void {
  for (const name of Object.keys(tables))
    if (!(tableFile(name) in files)) throw new ArchiveError(`${MANIFEST}: files lacks ${tableFile(name)}`);
  const told = new Set(Object.keys(tables).map(tableFile));
  for (const name of Object.keys(files))
    if (name.startsWith('tables/') && !told.has(name))
      throw new ArchiveError(`${MANIFEST}: tables lacks the rows of ${name}`);
}

async function fill(sql: Sql, shop: ShopId, table: Table, archive: ArchiveIn, manifest: Manifest): Promise<number> {
  const bytes = table.name === 'capture_piece' ? new CaptureBytes(archive) : null;
  const into = new RowsIn(sql, shop, table, bytes && ((row) => bytes.complete(row)));
  const input = await archive.open(tableFile(table.name));
  for await (const line of createInterface({ input, crlfDelay: Infinity })) await into.add(line);
  const rows = await into.end();
  const told = manifest.tables[table.name];
  if (rows !== told) throw new ArchiveError(`${tableFile(table.name)} has ${rows} rows; its archive says ${told}`);
  return rows;
}
