import type { DeliveryView, ShopId, WebhookBody, WebhookEvent, WebhookView } from '@tetrad/contracts';
import { isoTime } from '../platform/database/iso-time';
import type { Sql } from '../platform/database/pool';

export async function listWebhooks(sql: Sql, shop: ShopId): Promise<readonly WebhookView[]> {
  const { rows } = await sql.query<WebhookView>(
    `SELECT webhook_id AS id, url, events, secret, is_off AS "isOff" FROM webhook WHERE shop_id = $1 AND NOT is_removed
      ORDER BY created_at, webhook_id`,
    [shop],
  );
  return rows;
}

/** @param secret Of a new one, and of one that was removed; one that is there keeps its own. */
export async function putWebhook(
  sql: Sql,
  shop: ShopId,
  id: string,
  { url, events }: WebhookBody,
  secret: string,
): Promise<void> {
  await sql.query(
    `INSERT INTO webhook (shop_id, webhook_id, url, events, secret) VALUES ($1, $2, $3, $4, $5)
     ON CONFLICT (shop_id, webhook_id) DO UPDATE SET url = excluded.url, events = excluded.events, is_removed = false, is_off = false,
       secret = CASE WHEN webhook.is_removed THEN excluded.secret ELSE webhook.secret END`,
    [shop, id, url, JSON.stringify(events), secret],
  );
}

/** Removes a webhook; what still waited for it is given up. @returns false where there is none of that id. */
export async function removeWebhook(sql: Sql, shop: ShopId, id: string): Promise<boolean> {
  await sql.query(
    `UPDATE webhook_delivery SET gave_up_at = now(), answer = 'the webhook was removed'
      WHERE shop_id = $1 AND webhook_id = $2 AND delivered_at IS NULL AND gave_up_at IS NULL`,
    [shop, id],
  );
  const { rowCount } = await sql.query(
    'UPDATE webhook SET is_removed = true WHERE shop_id = $1 AND webhook_id = $2 AND NOT is_removed',
    [shop, id],
  );
  return rowCount === 1;
}

/** The newest messages of a webhook. */
export async function listDeliveries(sql: Sql, shop: ShopId, webhook: string): Promise<readonly DeliveryView[]> {
  const { rows } = await sql.query<DeliveryView>(
    `SELECT delivery_id AS id, event, ${isoTime('created_at')} AS "createdAt", attempts,
            ${isoTime('delivered_at')} AS "deliveredAt", ${isoTime('gave_up_at')} AS "gaveUpAt", answer,
            CASE WHEN delivered_at IS NULL AND gave_up_at IS NULL THEN ${isoTime('next_at')} END AS "nextAt"
       FROM webhook_delivery WHERE shop_id = $1 AND webhook_id = $2 ORDER BY created_at DESC, delivery_id LIMIT 50`,
    [shop, webhook],
  );
  return rows;
}

/** What happened, as it is told. */
export interface Happening {
  readonly event: WebhookEvent | 'test';
  readonly data: Readonly<Record<string, unknown>>;
}

/**
 * Tells every webhook that asked for such events; it is sent when the transaction has ended.
 *
 * @param only The id of one webhook, whatever it asked for.
 */
export async function tellWebhooks(
  sql: Sql,
  shop: ShopId,
  { event, data }: Happening,
  only: string | null = null,
): Promise<void> {
  const body = JSON.stringify({ type: event, timestamp: new Date().toISOString(), data: { shop, ...data } });
  await sql.query(
    `INSERT INTO webhook_delivery (shop_id, delivery_id, webhook_id, event, body)
     SELECT $1, gen_random_uuid(), webhook_id, $2, $3 FROM webhook
      WHERE shop_id = $1 AND NOT is_removed AND NOT is_off AND CASE WHEN $4::uuid IS NULL THEN events ? $2 ELSE webhook_id = $4 END`,
    [shop, event, body, only],
  );
}
