import { Router } from 'express';
import { NewApiKey } from '@tetrad/contracts';
import type { NewApiKeyView } from '@tetrad/contracts';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { bytesFor, newToken, tokenHash } from '../people/secrets';
import { actor, whoOf } from '../people/who';
import type { Pool } from '../platform/database/pool';
import { bodyAs, shopParam, uuidParam } from '../platform/http/body';
import { idempotencyKey, runIdempotent } from '../platform/http/idempotency';
import { misfit, notFound } from '../platform/http/problem';
import { personNamed } from '../people/people.sql';
import { addKey, listKeys, revokeKey } from './api-keys.sql';
import { keyText } from './by-key';

/** Keys of the shop's own programs: made and revoked by an administrator. @param secret Makes the same key for a repeat. */
export function apiKeyRoutes(pool: Pool, secret: string): Router {
  const router = Router({ mergeParams: true });

  router.get('/api-keys', async (request, response) => {
    response.json(await listKeys(pool, shopParam(request)));
  });

  router.post('/api-keys', async (request, response) => {
    const { name: by } = whoOf(request);
    const shop = shopParam(request);
    const body = bodyAs(NewApiKey, request);
    const sent = idempotencyKey(request);
    // the same again for the same write: who lost the answer is told the key that was stored
    const bytes = sent === null ? undefined : bytesFor(secret, `api key ${shop} ${body.id} ${sent}`);
    const key = keyText(shop, newToken(bytes));
    await runIdempotent(pool, request, async (sql) => {
      if (await personNamed(sql, body.name))
        throw misfit([{ field: 'name', found: body.name, allowed: 'a name that no person of this shop has' }]);
      await addKey(sql, shop, body, { hash: tokenHash(key), by });
      const { id, name, role, days } = body;
      await addAuditEntry(sql, { what: 'api-key-created', ...actor(request), about: id, detail: { name, role, days } });
    });
    const view = (await listKeys(pool, shop)).find(({ id }) => id === body.id.toLowerCase())!;
    response.status(201).json({ ...view, key } satisfies NewApiKeyView);
  });

  router.delete('/api-keys/:key', async (request, response) => {
    const [shop, id] = [shopParam(request), uuidParam(request, 'key')];
    await runIdempotent(pool, request, async (sql) => {
      if (!(await revokeKey(sql, shop, id))) throw notFound('key that is still good', id);
      await addAuditEntry(sql, { what: 'api-key-revoked', ...actor(request), about: id });
    });
    response.status(204).end();
  });

  return router;
}
