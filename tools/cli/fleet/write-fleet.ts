/** A whole shop of simulated vehicles as an archive that `tetrad import` brings in: written as it is made, in little memory. */
import { createReadStream } from 'node:fs';
import { appendFile, mkdtemp, rm } from 'node:fs/promises';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { shopId } from '@tetrad/contracts';
import { archiveOut } from '../../../server/src/shop-archive/archive-out';
import type { ArchiveOut } from '../../../server/src/shop-archive/archive-out';
import { SHOP_FORMAT, tableFile } from '../../../server/src/shop-archive/manifest';
import type { FileSum } from '../../../server/src/shop-archive/manifest';
import { FLEET_TABLES } from './fleet-rows';
import type { FleetPart, FleetTable } from './fleet-rows';

export interface FleetRequest {
  readonly vehicles: number;
  readonly visits: number;
  readonly seed: number;
  readonly shop: string;
  /** Folder or zip file. */
  readonly to: string;
  readonly endsAt: Date;
  readonly onProgress: (vehicles: number) => void;
}
export interface FleetWritten {
  readonly rows: Readonly<Record<string, number>>;
}

/** Vehicles that a thread makes in one go. */
const IN_A_PART = 20;
const IN_A_GROUP = 50;
const EVERY_DAYS = 90;

/** @throws ArchiveError where something is there already. */
export async function writeFleet(request: FleetRequest): Promise<FleetWritten> {
  const out = await archiveOut(request.to);
  const drafts = await mkdtemp(join(tmpdir(), 'tetrad-fleet-'));
  try {
    const rows = await fillDrafts(request, drafts);
    return await pack(request, drafts, rows, out);
  } catch (error) {
    await out.abandon();
    throw error;
  } finally {
    await rm(drafts, { recursive: true, force: true });
  }
}

const draftOf = (drafts: string, table: string): string => join(drafts, `${table}.jsonl`);

/** Simulates and judges in threads; a table's lines go to its own file, in the order of the vehicles. */
async function fillDrafts(
  { vehicles, visits, seed, endsAt, onProgress }: FleetRequest,
  drafts: string,
): Promise<Record<FleetTable, number>> {
  const pool = new Piscina<FleetPart, Record<FleetTable, string>>({
    filename: fileURLToPath(new URL('./fleet-worker.mjs', import.meta.url)),
    maxThreads: availableParallelism(),
  });
  const counts = Object.fromEntries(FLEET_TABLES.map((table) => [table, 0])) as Record<FleetTable, number>;
  const parts = Array.from({ length: Math.ceil(vehicles / IN_A_PART) }, (_, at): FleetPart => {
    const from = at * IN_A_PART;
    const options = { seed, visits, endYear: endsAt.getUTCFullYear(), endsAt: endsAt.getTime() };
    return { ...options, from, to: Math.min(vehicles, from + IN_A_PART) };
  });
  const waiting = [...parts];
  const ahead: { readonly to: number; readonly made: Promise<Record<FleetTable, string>> }[] = [];
  const begin = (): void => {
    const part = waiting.shift();
    if (part) ahead.push({ to: part.to, made: pool.run(part) });
  };
  try {
    for (let thread = 0; thread < 2 * availableParallelism(); thread++) begin();
    for (let next = ahead.shift(); next; next = ahead.shift()) {
      const made = await next.made;
      begin();
      for (const table of FLEET_TABLES) {
        await appendFile(draftOf(drafts, table), made[table]);
        counts[table] += made[table].split('\n').length - 1;
      }
      onProgress(next.to);
    }
  } finally {
    await pool.destroy();
  }
  return counts;
}

async function pack(
  { shop: named, vehicles, endsAt }: FleetRequest,
  drafts: string,
  counts: Record<FleetTable, number>,
  out: ArchiveOut,
): Promise<FleetWritten> {
  const plans = Array.from({ length: Math.ceil(vehicles / IN_A_GROUP) }, (_, at) => ({
    plan_id: `f1ee7009-0000-4000-8000-${at.toString(16).padStart(12, '0')}`,
    group_name: `Depot ${at + 1}`,
    every_days: EVERY_DAYS,
    begun_on: endsAt.toISOString().slice(0, 10),
  }));
  const lines = (rows: readonly object[]): Iterable<Buffer> =>
    rows.map((row) => Buffer.from(`${JSON.stringify(row)}\n`));
  const files: Record<string, FileSum> = {};
  const tables: Record<string, number> = {};
  const add = async (
    table: string,
    count: number,
    content: Iterable<Buffer> | AsyncIterable<Buffer>,
  ): Promise<void> => {
    tables[table] = count;
    files[tableFile(table)] = await out.file(tableFile(table), content);
  };
  await add('shop', 1, lines([{ name: 'Simulated fleet' }]));
  for (const table of FLEET_TABLES) {
    if (counts[table] > 0)
      await add(table, counts[table], createReadStream(draftOf(drafts, table)) as AsyncIterable<Buffer>);
    if (table === 'vehicle') await add('round_plan', plans.length, lines(plans));
  }
  await out.close(`${JSON.stringify({ format: SHOP_FORMAT, shop: shopId(named), tables, files }, null, 2)}\n`);
  return { rows: tables };
}
