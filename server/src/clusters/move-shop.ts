/**
 * A shop moves from one cluster to another while its devices work: what they enter meanwhile waits in their outboxes and
 * is stored once, where the shop is then. Whenever this ends too early, the shop is where the first cluster says, and the
 * same command goes on from there.
 */
import type { ShopId } from '@tetrad/contracts';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { verifyAuditLog } from '../audit-log/verify-audit-log';
import { inTransaction } from '../platform/database/pool';
import type { Pool } from '../platform/database/pool';
import { inShop } from '../platform/database/working-shop';
import { archiveIn } from '../shop-archive/archive-in';
import { archiveOut } from '../shop-archive/archive-out';
import { exportShop } from '../shop-archive/export-shop';
import type { Moved } from '../shop-archive/export-shop';
import { importShop } from '../shop-archive/import-shop';
import { closeShop, reopenShop } from './close-shop';
import { FIRST_CLUSTER } from './clusters-file';
import { dropCopy } from './drop-copy';
import { findShop } from '../shops/shops.sql';

export interface ShopMove {
  readonly shop: ShopId;
  /** The name of the cluster it goes to. */
  readonly to: string;
  /** As the owner of the tables, by name; the first cluster is among them. */
  readonly clusters: ReadonlyMap<string, Pool>;
}

/** @throws Error where there is no such shop or cluster, or the copy does not prove the same; the shop stays where it is then. */
export const moveShop = ({ shop, to, clusters }: ShopMove): Promise<Moved & { readonly from: string }> =>
  inShop(shop, async () => {
    const first = clusters.get(FIRST_CLUSTER)!;
    const from = await homeOf(first, shop);
    const [source, target] = [clusters.get(from), clusters.get(to)];
    if (!target) throw new Error(`there is no cluster ${to}; known are ${[...clusters.keys()].join(', ')}`);
    if (!source) throw new Error(`the shop ${shop} is kept by the cluster ${from}, which the file does not name`);
    if (source === target) throw new Error(`the shop ${shop} is kept by ${to} already`);
    if (!(await findShop(source, shop))) throw new Error(`there is no shop ${shop}`);
    await closeShop(source, shop);
    try {
      // what an earlier move left there is none that anybody works on
      if (await findShop(target, shop)) await inTransaction(target, (sql) => dropCopy(sql, shop));
      const moved = await copy(source, target, shop);
      await proveSame(source, target, shop);
      await addAuditEntry(target, { what: 'shop-moved', person: null, from: null, detail: { from, to } });
      await setHome(first, shop, to);
      return { ...moved, from };
    } catch (error) {
      await reopenShop(source, shop);
      throw error;
    }
  });

async function homeOf(first: Pool, shop: ShopId): Promise<string> {
  const { rows } = await first.query<{ cluster: string | null }>('SELECT home_of($1) AS cluster', [shop]);
  return rows[0]!.cluster ?? FIRST_CLUSTER;
}

async function setHome(first: Pool, shop: ShopId, cluster: string): Promise<void> {
  if (cluster === FIRST_CLUSTER) await first.query('DELETE FROM shop_home WHERE shop_id = $1', [shop]);
  else
    await first.query(
      `INSERT INTO shop_home (shop_id, cluster) VALUES ($1, $2)
       ON CONFLICT (shop_id) DO UPDATE SET cluster = excluded.cluster, moved_at = now()`,
      [shop, cluster],
    );
}

async function copy(source: Pool, target: Pool, shop: ShopId): Promise<Moved> {
  const folder = await mkdtemp(join(tmpdir(), 'tetrad-move-'));
  try {
    const at = join(folder, 'shop');
    await exportShop(source, shop, await archiveOut(at), true);
    const archive = await archiveIn(at);
    try {
      return await importShop(target, archive, shop, true);
    } finally {
      archive.close();
    }
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** The audit log names every entry of evidence: where it ends in the same hash, nothing is missing. */
async function proveSame(source: Pool, target: Pool, shop: ShopId): Promise<void> {
  const [there, here] = [await verifyAuditLog(source), await verifyAuditLog(target)];
  if (!there.isWhole || !here.isWhole || there.head !== here.head || there.entries !== here.entries)
    throw new Error(`the copy of ${shop} does not prove the same as the shop: it stays where it is`);
}
