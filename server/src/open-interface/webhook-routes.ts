import { randomBytes } from 'node:crypto';
import type { ShopId, WebhookView } from '@tetrad/contracts';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { actor } from '../people/who';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam, uuidParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { Refusal, notFound, problem } from '../platform/http/problem';
import { listDeliveries, listWebhooks, putWebhook, removeWebhook, tellWebhooks } from '../webhooks/webhooks.sql';

const SECRET_BYTES = 32;
/** As Standard Webhooks writes them. */
const newSecret = (): string => `whsec_${randomBytes(SECRET_BYTES).toString('base64')}`;

/** Addresses that are told what happens in the shop: an administrator sets them. */
export function webhookRoutes(
  pool: Pool,
): Handlers<'listWebhooks' | 'putWebhook' | 'removeWebhook' | 'tryWebhook' | 'listDeliveries'> {
  async function known(shop: ShopId, id: string): Promise<WebhookView> {
    const found = (await listWebhooks(pool, shop)).find((one) => one.id === id);
    if (!found) throw notFound('webhook', id);
    return found;
  }

  return {
    listWebhooks: async (request, response) => {
      response.json(await listWebhooks(pool, shopParam(request)));
    },

    putWebhook: async (request, response, { body }) => {
      const [shop, id] = [shopParam(request), uuidParam(request, 'webhook')];
      await runIdempotent(pool, request, async (sql) => {
        await putWebhook(sql, shop, id, body, newSecret());
        await addAuditEntry(sql, { what: 'webhook-changed', ...actor(request), about: id, detail: { ...body } });
      });
      response.json((await listWebhooks(pool, shop)).find((one) => one.id === id));
    },

    removeWebhook: async (request, response) => {
      const [shop, id] = [shopParam(request), uuidParam(request, 'webhook')];
      await runIdempotent(pool, request, async (sql) => {
        if (!(await removeWebhook(sql, shop, id))) throw notFound('webhook', id);
        await addAuditEntry(sql, { what: 'webhook-removed', ...actor(request), about: id });
      });
      response.end();
    },

    tryWebhook: async (request, response) => {
      const [shop, id] = [shopParam(request), uuidParam(request, 'webhook')];
      if ((await known(shop, id)).isOff)
        throw new Refusal(
          problem(409, 'switched-off', 'This webhook came with a copy of the shop and is off: save it again first.'),
        );
      await runIdempotent(pool, request, async (sql) => {
        await tellWebhooks(sql, shop, { event: 'test', data: {} }, id);
        await addAuditEntry(sql, { what: 'webhook-tested', ...actor(request), about: id });
      });
      response.end();
    },

    listDeliveries: async (request, response) => {
      const [shop, id] = [shopParam(request), uuidParam(request, 'webhook')];
      await known(shop, id);
      response.json(await listDeliveries(pool, shop, id));
    },
  };
}
