/** Connections for shops that several clusters keep: each work goes to the cluster of the shop it is for. */
import type { ShopId } from '@tetrad/contracts';
import type { PoolClient } from 'pg';
import type { Logger } from 'pino';
import { Pool } from '../platform/database/pool';
import type { Primary } from '../platform/database/primary';
import { isElsewhere, workingShop } from '../platform/database/working-shop';

export class PoolOfClusters extends Pool {
  /** What is known of where shops are; one that has moved is found again when its old cluster refuses it. */
  readonly #homes = new Map<ShopId, Pool | null>();

  /** @param others The clusters beside the first, by name. */
  constructor(
    first: Primary,
    log: Logger,
    private readonly others: ReadonlyMap<string, Pool>,
  ) {
    super(first, log);
  }

  override async connect(): Promise<PoolClient> {
    const shop = workingShop();
    const other = await this.#homeOf(shop);
    try {
      return await (other ? other.connect() : super.connect());
    } catch (error) {
      if (!isElsewhere(error)) throw error;
      this.#homes.delete(shop);
      const moved = await this.#homeOf(shop);
      if (moved === other) throw error; // it is just being moved
      return moved ? moved.connect() : super.connect();
    }
  }

  override isBroken(error: unknown): Promise<boolean> {
    const other = this.#homes.get(workingShop());
    return other ? other.isBroken(error) : super.isBroken(error);
  }

  /** Whether the first cluster keeps the shop at hand, and its standby with it. */
  override async isFirst(): Promise<boolean> {
    return (await this.#homeOf(workingShop())) === null;
  }

  override counts(): { readonly all: number; readonly waiting: number } {
    const counts = [super.counts(), ...[...this.others.values()].map((pool) => pool.counts())];
    return {
      all: counts.reduce((sum, { all }) => sum + all, 0),
      waiting: counts.reduce((sum, { waiting }) => sum + waiting, 0),
    };
  }

  override async end(): Promise<void> {
    await Promise.all([super.end(), ...[...this.others.values()].map((pool) => pool.end())]);
  }

  async #homeOf(shop: ShopId): Promise<Pool | null> {
    const known = this.#homes.get(shop);
    if (known !== undefined) return known;
    const client = await this.connectAnywhere();
    try {
      const { rows } = await client.query<{ cluster: string | null }>('SELECT home_of($1) AS cluster', [shop]);
      const { cluster } = rows[0]!;
      const home = cluster === null ? null : this.others.get(cluster);
      if (home === undefined) throw new Error(`the shop ${shop} is kept by the cluster ${cluster}, which is not named`);
      this.#homes.set(shop, home);
      return home;
    } finally {
      client.release();
    }
  }
}
