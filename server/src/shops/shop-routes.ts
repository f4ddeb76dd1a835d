import { Router } from 'express';
import { ShopChanges } from '@tetrad/contracts';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { actor, permit } from '../people/who';
import type { Pool } from '../platform/database/pool';
import { bodyAs, shopParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { changeShop, shopSettings } from './shops.sql';

/** What a shop chooses for all its devices. */
export function shopRoutes(pool: Pool): Router {
  const router = Router({ mergeParams: true });

  router.get('/settings', async (request, response) => {
    permit(request, 'change-shop');
    response.json(await shopSettings(pool, shopParam(request)));
  });

  router.put('/settings', async (request, response) => {
    permit(request, 'change-shop');
    const shop = shopParam(request);
    const changes = bodyAs(ShopChanges, request);
    await runIdempotent(pool, request, async (sql) => {
      await changeShop(sql, shop, changes);
      await addAuditEntry(sql, { what: 'shop-changed', ...actor(request), about: shop, detail: { ...changes } });
    });
    response.json(await shopSettings(pool, shop));
  });

  return router;
}
