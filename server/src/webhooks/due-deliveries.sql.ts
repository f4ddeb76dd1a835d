/** What is to be sent, and when next: asked by whoever sends. */
import type { ShopId } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';
import type { OutgoingMessage, SendResult } from './send';

/** Waits before each further attempt, s; after the last it is given up. */
const WAITS_S = [10, 60, 300, 1800, 7200, 21_600, 43_200, 86_400] as const;
/** Messages of a shop that are sent in one go. */
const AT_ONCE = 20;
/** Nobody else sends for a shop so long, s: longer than one go may take. */
const LEASE_S = 120;

/** Shops that something is to be sent for. */
export async function shopsToWake(sql: Sql): Promise<readonly string[]> {
  const { rows } = await sql.query<{ shop: string }>(
    'SELECT wakes AS shop FROM wakeup WHERE at <= now() ORDER BY at LIMIT 50',
  );
  return rows.map(({ shop }) => shop);
}

/** Takes the turn to send for a shop. @returns false where another has it. */
export async function takeTurn(sql: Sql, shop: ShopId): Promise<boolean> {
  const { rowCount } = await sql.query(
    'UPDATE wakeup SET at = now() + make_interval(secs => $2) WHERE wakes = $1 AND at <= now()',
    [shop, LEASE_S],
  );
  return rowCount === 1;
}

interface DueDelivery extends OutgoingMessage {
  readonly attempts: number;
}

export async function dueDeliveries(sql: Sql, shop: ShopId): Promise<readonly DueDelivery[]> {
  const { rows } = await sql.query<DueDelivery>(
    `SELECT d.delivery_id AS id, w.url, w.secret, d.body, d.attempts
       FROM webhook_delivery d JOIN webhook w ON w.shop_id = $1 AND w.webhook_id = d.webhook_id
      WHERE d.shop_id = $1 AND d.delivered_at IS NULL AND d.gave_up_at IS NULL AND d.next_at <= now() AND NOT w.is_removed
      ORDER BY d.next_at LIMIT ${AT_ONCE}`,
    [shop],
  );
  return rows;
}

export async function noteSent(
  sql: Sql,
  shop: ShopId,
  { id, attempts }: DueDelivery,
  { isDelivered, answer }: SendResult,
): Promise<void> {
  const wait = WAITS_S[attempts];
  await sql.query(
    `UPDATE webhook_delivery SET attempts = attempts + 1, answer = $3,
            delivered_at = CASE WHEN $4 THEN now() END,
            gave_up_at = CASE WHEN NOT $4 AND $5::integer IS NULL THEN now() END,
            next_at = now() + make_interval(secs => coalesce($5, 0))
      WHERE shop_id = $1 AND delivery_id = $2`,
    [shop, id, answer, isDelivered, wait ?? null],
  );
}

/** Whether any webhook is told of due rounds. */
export async function tellsRounds(sql: Sql, shop: ShopId): Promise<boolean> {
  const { rows } = await sql.query(
    `SELECT 1 FROM webhook WHERE shop_id = $1 AND NOT is_removed AND events ? 'round.due' LIMIT 1`,
    [shop],
  );
  return rows.length > 0;
}

/** Says when the shop is to be looked at again: with the next delivery, or by `atLatest`; never where neither is. */
export async function endTurn(sql: Sql, shop: ShopId, atLatest: Date | null): Promise<void> {
  await sql.query(
    `WITH next AS (
       SELECT least($2::timestamptz, (SELECT min(d.next_at) FROM webhook_delivery d JOIN webhook w
                ON w.shop_id = $1 AND w.webhook_id = d.webhook_id AND NOT w.is_removed
               WHERE d.shop_id = $1 AND d.delivered_at IS NULL AND d.gave_up_at IS NULL)) AS at)
     UPDATE wakeup SET at = coalesce((SELECT at FROM next), 'infinity') WHERE wakes = $1`,
    [shop, atLatest],
  );
}
