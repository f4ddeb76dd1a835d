import { randomBytes } from 'node:crypto';
import { Router } from 'express';
import { WebhookBody } from '@tetrad/contracts';
import type { ShopId, WebhookView } from '@tetrad/contracts';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { actor } from '../people/who';
import type { Pool } from '../platform/database/pool';
import { bodyAs, shopParam, uuidParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { Refusal, notFound, problem } from '../platform/http/problem';
import { listDeliveries, listWebhooks, putWebhook, removeWebhook, tellWebhooks } from './webhooks.sql';

const SECRET_BYTES = 32;
/** As Standard Webhooks writes them. */
const newSecret = (): string => `whsec_${randomBytes(SECRET_BYTES).toString('base64')}`;

/** Addresses that are told what happens in the shop: an administrator sets them. */
export function webhookRoutes(pool: Pool): Router {
  const router = Router({ mergeParams: true });

  async function known(shop: ShopId, id: string): Promise<WebhookView> {
    const found = (await listWebhooks(pool, shop)).find((one) => one.id === id);
    if (!found) throw notFound('webhook', id);
    return found;
  }

  router.get('/webhooks', async (request, response) => {
    response.json(await listWebhooks(pool, shopParam(request)));
  });

  router.put('/webhooks/:webhook', async (request, response) => {
    const [shop, id] = [shopParam(request), uuidParam(request, 'webhook')];
    const body = bodyAs(WebhookBody, request);
    await runIdempotent(pool, request, async (sql) => {
      await putWebhook(sql, shop, id, body, newSecret());
      await addAuditEntry(sql, { what: 'webhook-changed', ...actor(request), about: id, detail: { ...body } });
    });
    response.json((await listWebhooks(pool, shop)).find((one) => one.id === id));
  });

  router.delete('/webhooks/:webhook', async (request, response) => {
    const [shop, id] = [shopParam(request), uuidParam(request, 'webhook')];
    await runIdempotent(pool, request, async (sql) => {
      if (!(await removeWebhook(sql, shop, id))) throw notFound('webhook', id);
      await addAuditEntry(sql, { what: 'webhook-removed', ...actor(request), about: id });
    });
    response.status(204).end();
  });

  router.post('/webhooks/:webhook/test', async (request, response) => {
    const [shop, id] = [shopParam(request), uuidParam(request, 'webhook')];
    if ((await known(shop, id)).isOff)
      throw new Refusal(
        problem(409, 'switched-off', 'This webhook came with a copy of the shop and is off: save it again first.'),
      );
    await runIdempotent(pool, request, async (sql) => {
      await tellWebhooks(sql, shop, { event: 'test', data: {} }, id);
      await addAuditEntry(sql, { what: 'webhook-tested', ...actor(request), about: id });
    });
    response.status(202).end();
  });

  router.get('/webhooks/:webhook/deliveries', async (request, response) => {
    const [shop, id] = [shopParam(request), uuidParam(request, 'webhook')];
    await known(shop, id);
    response.json(await listDeliveries(pool, shop, id));
  });

  return router;
}
