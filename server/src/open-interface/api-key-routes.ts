import type { NewApiKeyView } from '@tetrad/contracts';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { bytesFor, newToken, tokenHash } from '../people/secrets';
import { actor, whoOf } from '../people/who';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam, uuidParam } from '../platform/http/body';
import { idempotencyKey, runIdempotent } from '../platform/http/idempotency';
import { misfit, notFound } from '../platform/http/problem';
import { personNamed } from '../people/people.sql';
import { addKey, listKeys, revokeKey } from './api-keys.sql';
import { keyText } from './by-key';

/** Keys of the shop's own programs: made and revoked by an administrator. @param secret Makes the same key for a repeat. */
export function apiKeyRoutes(pool: Pool, secret: string): Handlers<'listApiKeys' | 'createApiKey' | 'revokeApiKey'> {
  return {
    listApiKeys: async (request, response) => {
      response.json(await listKeys(pool, shopParam(request)));
    },

    createApiKey: async (request, response, { body }) => {
      const { name: by } = whoOf(request);
      const shop = shopParam(request);
      const sent = idempotencyKey(request);
      // the same again for the same write: who lost the answer is told the key that was stored
      const bytes = sent === null ? undefined : bytesFor(secret, `api key ${shop} ${body.id} ${sent}`);
      const key = keyText(shop, newToken(bytes));
      await runIdempotent(pool, request, async (sql) => {
        if (await personNamed(sql, body.name))
          throw misfit([{ field: 'name', found: body.name, allowed: 'a name that no person of this shop has' }]);
        await addKey(sql, shop, body, { hash: tokenHash(key), by });
        const { id, name, role, days } = body;
        await addAuditEntry(sql, {
          what: 'api-key-created',
          ...actor(request),
          about: id,
          detail: { name, role, days },
        });
      });
      const view = (await listKeys(pool, shop)).find(({ id }) => id === body.id.toLowerCase())!;
      response.json({ ...view, key } satisfies NewApiKeyView);
    },

    revokeApiKey: async (request, response) => {
      const [shop, id] = [shopParam(request), uuidParam(request, 'key')];
      await runIdempotent(pool, request, async (sql) => {
        if (!(await revokeKey(sql, shop, id))) throw notFound('key that is still good', id);
        await addAuditEntry(sql, { what: 'api-key-revoked', ...actor(request), about: id });
      });
      response.end();
    },
  };
}
