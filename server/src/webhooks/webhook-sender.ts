/** Sends what webhooks are told, again and again until it is delivered; several processes take turns by shop. */
import { shopId } from '@tetrad/contracts';
import type { ShopId } from '@tetrad/contracts';
import type { Logger } from 'pino';
import { inTransaction } from '../platform/database/pool';
import type { Pool } from '../platform/database/pool';
import { inShop } from '../platform/database/working-shop';
import { dueDeliveries, endTurn, noteSent, shopsToWake, takeTurn, tellsRounds } from './due-deliveries.sql';
import { SHOP_ELSEWHERE } from '../shops/pool-of-clusters';
import { send } from './send';
import type { SendOptions } from './send';
import { tellDueRounds } from './tell-rounds';

/** How often it is looked for shops to send for, ms. */
const LOOK_MS = 2000;
/** How often it is looked which vehicles became due, ms. */
const ROUNDS_MS = 15 * 60_000;

export interface SenderOptions extends SendOptions {
  readonly lookMs?: number;
}

export class WebhookSender {
  #timer: NodeJS.Timeout | null = null;
  #isClosed = false;

  constructor(
    private readonly pool: Pool,
    private readonly log: Logger,
    private readonly options: SenderOptions = {},
  ) {}

  open(): void {
    const look = (): void => {
      this.round()
        .catch((error: unknown) => this.log.warn({ err: error }, 'webhooks were not looked at'))
        .finally(() => {
          if (!this.#isClosed) this.#timer = setTimeout(look, this.options.lookMs ?? LOOK_MS).unref();
        });
    };
    look();
  }
  close(): void {
    this.#isClosed = true;
    if (this.#timer) clearTimeout(this.#timer);
  }
  /** Closes its connections too. */
  end(): Promise<void> {
    this.close();
    return this.pool.end();
  }

  /** Sends once for every shop that something waits in. */
  async round(): Promise<void> {
    for (const name of await shopsToWake(this.pool)) {
      const shop = shopId(name);
      await inShop(shop, () => this.#sendFor(shop)).catch((error: unknown) => this.#failed(name, error));
    }
  }

  /** Of a shop that another cluster keeps by now, nothing is left to do here. */
  async #failed(shop: string, error: unknown): Promise<void> {
    if ((error as { code?: string } | null)?.code === SHOP_ELSEWHERE)
      await this.pool.query('DELETE FROM wakeup WHERE wakes = $1', [shop]);
    else this.log.warn({ err: error, shop }, 'nothing was sent for this shop');
  }

  async #sendFor(shop: ShopId): Promise<void> {
    const { pool } = this;
    if (!(await takeTurn(pool, shop))) return;
    const isTold = await tellsRounds(pool, shop);
    if (isTold) await inTransaction(pool, (sql) => tellDueRounds(sql, shop, new Date()));
    const due = await dueDeliveries(pool, shop);
    // each waits for its own receiver alone: one that hangs holds no other up
    await Promise.all(due.map(async (delivery) => noteSent(pool, shop, delivery, await send(delivery, this.options))));
    await endTurn(pool, shop, isTold ? new Date(Date.now() + ROUNDS_MS) : null);
  }
}
