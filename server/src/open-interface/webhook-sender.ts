/**
 * Sends what webhooks are told, again and again until it is delivered. Each webhook has its own queue, one message after
 * another: whose receiver hangs waits for it alone. Several processes share them out.
 */
import { shopId } from '@tetrad/contracts';
import type { ShopId } from '@tetrad/contracts';
import { Semaphore } from 'async-mutex';
import type { Logger } from 'pino';
import { inTransaction } from '../platform/database/pool';
import type { Pool } from '../platform/database/pool';
import { inShop, isElsewhere } from '../platform/database/working-shop';
import {
  dueDeliveries,
  forgetOld,
  giveBack,
  noteSent,
  shopsToWake,
  takeRoundsTurn,
  takeWebhooks,
} from './due-deliveries.sql';
import { send } from './send';
import type { SendOptions } from './send';
import { tellDueRounds } from './tell-rounds';

/** How often it is looked for shops to send for, ms. */
const LOOK_MS = 2000;
/** Messages that are under way at once, of all shops. */
const MAX_UNDER_WAY = 100;

export interface SenderOptions extends SendOptions {
  readonly lookMs?: number;
}

export class WebhookSender {
  #timer: NodeJS.Timeout | null = null;
  #isClosed = false;
  readonly #places = new Semaphore(MAX_UNDER_WAY);

  constructor(
    private readonly pool: Pool,
    private readonly log: Logger,
    private readonly options: SenderOptions = {},
  ) {}

  open(): void {
    const look = (): void => {
      this.#look()
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

  /** Sends once for every shop that something waits in, and waits until that has been answered. */
  async round(): Promise<void> {
    await Promise.all(await this.#look());
  }

  /** @returns what was begun: nobody waits for it before looking again. */
  async #look(): Promise<readonly Promise<void>[]> {
    const shops = await shopsToWake(this.pool);
    const begun = shops.map((name) => {
      const shop = shopId(name);
      return inShop(shop, () => this.#begin(shop)).catch(async (error: unknown) => {
        await this.#failed(name, error);
        return [];
      });
    });
    return (await Promise.all(begun)).flat();
  }

  /** Of a shop that another cluster keeps by now, nothing is left to do here. */
  async #failed(shop: string, error: unknown): Promise<void> {
    if (isElsewhere(error)) await this.pool.query('DELETE FROM wakeup WHERE wakes = $1', [shop]);
    else this.log.warn({ err: error, shop }, 'nothing was sent for this shop');
  }

  async #begin(shop: ShopId): Promise<readonly Promise<void>[]> {
    const { pool } = this;
    if (await takeRoundsTurn(pool, shop)) {
      await forgetOld(pool, shop);
      await inTransaction(pool, (sql) => tellDueRounds(sql, shop, new Date()));
    }
    const webhooks = await inTransaction(pool, (sql) => takeWebhooks(sql, shop));
    return webhooks.map((webhook) => this.#sendFor(shop, webhook).catch((error: unknown) => this.#failed(shop, error)));
  }

  async #sendFor(shop: ShopId, webhook: string): Promise<void> {
    const { pool, log } = this;
    for (const delivery of await dueDeliveries(pool, shop, webhook)) {
      const result = await this.#places.runExclusive(() => send(delivery, this.options));
      if (result.why) log.warn({ shop, webhook, why: result.why }, 'a webhook was not told');
      if (!(await noteSent(pool, shop, webhook, delivery, result))) break;
    }
    await inTransaction(pool, (sql) => giveBack(sql, shop, webhook));
  }
}
