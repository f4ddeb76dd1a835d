import { addAuditEntry } from '../audit-log/audit-log.sql';
import { actor } from '../people/who';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { misfit } from '../platform/http/problem';
import { isOwnHost } from '../platform/network/own-addresses';
import { changeShop, shopSettings } from '../shops/shops.sql';

/** What a shop chooses for all its devices. @param how `mayReadItself`: instruments may be on this machine, as the demo's are. */
export function shopRoutes(
  pool: Pool,
  { mayReadItself }: { readonly mayReadItself: boolean },
): Handlers<'getSettings' | 'changeSettings'> {
  return {
    getSettings: async (request, response) => {
      response.json((await shopSettings(pool, shopParam(request)))!); // who asks is of this shop
    },

    changeSettings: async (request, response, { body }) => {
      const shop = shopParam(request);
      const changes = body;
      if (!mayReadItself) refuseOwnHosts(changes.instrumentHosts ?? []);
      await runIdempotent(pool, request, async (sql) => {
        await changeShop(sql, shop, changes);
        await addAuditEntry(sql, { what: 'shop-changed', ...actor(request), about: shop, detail: { ...changes } });
      });
      response.json((await shopSettings(pool, shop))!);
    },
  };
}

/** @throws Refusal that names each host that is this machine itself: what listens there is no instrument. */
function refuseOwnHosts(hosts: readonly string[]): void {
  const own = hosts.flatMap((host, at) =>
    isOwnHost(host.replace(/:\d+$/, ''))
      ? [{ field: `instrumentHosts[${at}]`, found: host, allowed: 'the address of another machine than the server' }]
      : [],
  );
  if (own.length > 0) throw misfit(own);
}
