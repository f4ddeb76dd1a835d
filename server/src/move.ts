/** `export TO --shop ID` and `import FROM [--shop ID]`: prints what was moved as JSON. */
import { shopId } from '@tetrad/contracts';
import type { ShopId } from '@tetrad/contracts';
import 'reflect-metadata';
import { parseArgs } from 'node:util';
import pino from 'pino';
import { addAuditEntry } from './audit-log/audit-log.sql';
import { readConfig } from './config';
import { archiveIn } from './shop-archive/archive-in';
import { archiveOut } from './shop-archive/archive-out';
import { exportShop } from './shop-archive/export-shop';
import type { Moved } from './shop-archive/export-shop';
import { importShop } from './shop-archive/import-shop';
import { ArchiveError } from './shop-archive/archive-error';
import { assertUpToDate } from './platform/database/up-to-date';
import { Pool } from './platform/database/pool';
import { inShop } from './platform/database/working-shop';

const { positionals, values } = parseArgs({ allowPositionals: true, options: { shop: { type: 'string' } } });
const [act, place = ''] = positionals;
const config = readConfig(process.env);
const pool = new Pool(config.databaseUrl, pino({ level: 'error' }), { isPatient: true });

async function takeOut(shop: ShopId): Promise<Moved> {
  const out = await archiveOut(place);
  try {
    const moved = await exportShop(pool, shop, out);
    await inShop(shop, () => addAuditEntry(pool, { what: 'shop-exported', person: null, from: null }));
    return moved;
  } catch (error) {
    await out.abandon();
    if ((error as NodeJS.ErrnoException).code === 'ENOSPC') throw new ArchiveError('the disk is full');
    throw error;
  }
}

async function takeIn(as: ShopId | null): Promise<Moved> {
  const archive = await archiveIn(place);
  try {
    return await importShop(pool, archive, as);
  } finally {
    archive.close();
  }
}

try {
  await assertUpToDate(pool, config.migrationsFolder);
  const moved =
    act === 'export'
      ? await takeOut(shopId(values.shop ?? ''))
      : await takeIn(values.shop === undefined ? null : shopId(values.shop));
  process.stdout.write(JSON.stringify(moved));
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
} finally {
  await pool.end();
}
