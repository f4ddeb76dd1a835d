/** What is to be sent, and when next: asked by whoever sends. */
import type { ShopId } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';
import type { OutgoingMessage, SendResult } from './send';

/** Waits before each further attempt, s; after the last it is given up. */
const WAITS_S = [10, 60, 300, 1800, 7200, 21_600, 43_200, 86_400] as const;
/** Messages of a webhook that are sent one after another before it is looked again. */
const IN_ONE_GO = 20;
/** Nobody else sends for a webhook so long after its newest message, s: longer than a receiver is waited for. */
const LEASE_S = 60;
/** How often it is looked which vehicles became due, s. */
const ROUNDS_EVERY_S = 900;
/** Messages that were delivered or given up are kept so long, days. */
const KEPT_DAYS = 30;

/** Shops that something is to be sent for. */
export async function shopsToWake(sql: Sql): Promise<readonly string[]> {
  const { rows } = await sql.query<{ shop: string }>(
    'SELECT wakes AS shop FROM wakeup WHERE at <= now() ORDER BY at LIMIT 50',
  );
  return rows.map(({ shop }) => shop);
}

/** Whether it is time to look which vehicles became due, and a webhook is told of them; the next time follows later. */
export async function takeRoundsTurn(sql: Sql, shop: ShopId): Promise<boolean> {
  const { rowCount } = await sql.query(
    `UPDATE wakeup SET rounds_at = now() + make_interval(secs => ${ROUNDS_EVERY_S})
      WHERE wakes = $1 AND rounds_at <= now()
        AND EXISTS (SELECT FROM webhook WHERE shop_id = $1 AND NOT is_removed AND NOT is_off AND events ? 'round.due')`,
    [shop],
  );
  return rowCount === 1;
}

/** Messages that ended long ago are forgotten. */
export const forgetOld = (sql: Sql, shop: ShopId): Promise<unknown> =>
  sql.query(
    `DELETE FROM webhook_delivery WHERE shop_id = $1 AND created_at < now() - make_interval(days => ${KEPT_DAYS})
        AND (delivered_at IS NOT NULL OR gave_up_at IS NOT NULL)`,
    [shop],
  );

const WAITS = 'd.delivered_at IS NULL AND d.gave_up_at IS NULL';

/** Takes every webhook of a shop that a message is due for and that nobody sends for. Call it in a transaction. */
export async function takeWebhooks(sql: Sql, shop: ShopId): Promise<readonly string[]> {
  await holdWakeup(sql, shop);
  const { rows } = await sql.query<{ id: string }>(
    `UPDATE webhook w SET busy_until = now() + make_interval(secs => ${LEASE_S})
      WHERE w.shop_id = $1 AND NOT w.is_removed AND NOT w.is_off AND coalesce(w.busy_until <= now(), true)
        AND EXISTS (SELECT FROM webhook_delivery d
                     WHERE d.shop_id = $1 AND d.webhook_id = w.webhook_id AND ${WAITS} AND d.next_at <= now())
      RETURNING webhook_id AS id`,
    [shop],
  );
  await setWakeup(sql, shop);
  return rows.map(({ id }) => id);
}

/** Gives a webhook back. Call it in a transaction. */
export async function giveBack(sql: Sql, shop: ShopId, webhook: string): Promise<void> {
  await holdWakeup(sql, shop);
  await sql.query('UPDATE webhook SET busy_until = NULL WHERE shop_id = $1 AND webhook_id = $2', [shop, webhook]);
  await setWakeup(sql, shop);
}

/** Who stores a message meanwhile wakes after this: no message is slept through. */
const holdWakeup = (sql: Sql, shop: ShopId): Promise<unknown> =>
  sql.query('SELECT 1 FROM wakeup WHERE wakes = $1 FOR UPDATE', [shop]);

/** Says when the shop is to be looked at again: with the next message, the next rounds, or when a sender has died. */
const setWakeup = (sql: Sql, shop: ShopId): Promise<unknown> =>
  sql.query(
    `UPDATE wakeup SET at = coalesce(least(
         (SELECT min(greatest(d.next_at, coalesce(w.busy_until, d.next_at)))
            FROM webhook_delivery d JOIN webhook w ON w.shop_id = $1 AND w.webhook_id = d.webhook_id AND NOT w.is_removed AND NOT w.is_off
           WHERE d.shop_id = $1 AND ${WAITS}),
         (SELECT rounds_at FROM webhook WHERE shop_id = $1 AND NOT is_removed AND NOT is_off AND events ? 'round.due' LIMIT 1)), 'infinity')
      WHERE wakes = $1`,
    [shop],
  );

export interface DueDelivery extends OutgoingMessage {
  readonly attempts: number;
}

/** What is due for one webhook, the oldest first. */
export async function dueDeliveries(sql: Sql, shop: ShopId, webhook: string): Promise<readonly DueDelivery[]> {
  const { rows } = await sql.query<DueDelivery>(
    `SELECT d.delivery_id AS id, w.url, w.secret, d.body, d.attempts
       FROM webhook_delivery d JOIN webhook w ON w.shop_id = $1 AND w.webhook_id = d.webhook_id
      WHERE d.shop_id = $1 AND d.webhook_id = $2 AND ${WAITS} AND d.next_at <= now() AND NOT w.is_removed AND NOT w.is_off
      ORDER BY d.created_at, d.delivery_id LIMIT ${IN_ONE_GO}`,
    [shop, webhook],
  );
  return rows;
}

/** @returns false where the webhook is nobody's to send for any more: it was removed meanwhile. */
export async function noteSent(
  sql: Sql,
  shop: ShopId,
  webhook: string,
  { id, attempts }: DueDelivery,
  { isDelivered, answer }: SendResult,
): Promise<boolean> {
  const wait = WAITS_S[attempts];
  await sql.query(
    `UPDATE webhook_delivery SET attempts = attempts + 1, answer = $3,
            delivered_at = CASE WHEN $4 THEN now() END,
            gave_up_at = CASE WHEN NOT $4 AND $5::integer IS NULL THEN now() END,
            next_at = now() + make_interval(secs => coalesce($5, 0))
      WHERE shop_id = $1 AND delivery_id = $2`,
    [shop, id, answer, isDelivered, wait ?? null],
  );
  const { rowCount } = await sql.query(
    `UPDATE webhook SET busy_until = now() + make_interval(secs => ${LEASE_S})
      WHERE shop_id = $1 AND webhook_id = $2 AND NOT is_removed AND NOT is_off`,
    [shop, webhook],
  );
  return rowCount === 1;
}
