/** `export TO --shop ID` and `import FROM [--shop ID]`: prints what was moved as JSON. */
import 'reflect-metadata';
import { parseArgs } from 'node:util';
import pino from 'pino';
import { addAct } from './acts/acts.sql';
import { readConfig } from './config';
import { archiveIn } from './moving/archive-in';
import { archiveOut } from './moving/archive-out';
import { exportShop } from './moving/export-shop';
import type { Moved } from './moving/export-shop';
import { importShop } from './moving/import-shop';
import { MoveError } from './moving/move-error';
import { Pool } from './sql/pool';
import { inShop } from './sql/working-shop';

const { positionals, values } = parseArgs({ allowPositionals: true, options: { shop: { type: 'string' } } });
const [act, place = ''] = positionals;
const pool = new Pool(readConfig(process.env).databaseUrl, pino({ level: 'error' }), { isPatient: true });

async function takeOut(shop: string): Promise<Moved> {
  const out = await archiveOut(place);
  try {
    const moved = await exportShop(pool, shop, out);
    await inShop(shop, () => addAct(pool, { what: 'shop-exported', person: null, from: null }));
    return moved;
  } catch (error) {
    await out.abandon();
    if ((error as NodeJS.ErrnoException).code === 'ENOSPC') throw new MoveError('the disk is full');
    throw error;
  }
}

async function takeIn(as: string | null): Promise<Moved> {
  const archive = await archiveIn(place);
  try {
    return await importShop(pool, archive, as);
  } finally {
    archive.close();
  }
}

try {
  const moved = act === 'export' ? await takeOut(values.shop ?? '') : await takeIn(values.shop ?? null);
  process.stdout.write(JSON.stringify(moved));
} catch (error) {
  process.stderr.write(`${error instanceof MoveError ? error.message : String((error as Error).stack ?? error)}\n`);
  process.exitCode = 1;
} finally {
  await pool.end();
}
