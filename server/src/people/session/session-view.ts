import type { Request } from 'express';
import { ROLES } from '@tetrad/contracts';
import type { Role, SessionView } from '@tetrad/contracts';
import type { Pool } from '../../platform/database/pool';
import { inShop } from '../../platform/database/working-shop';
import { findShop } from '../../shops/shops.sql';
import { DEMO_SHOPS, isLetIn } from '../demo';
import { OPENED_BY_DEMO } from '../open-session';
import { findPerson } from '../people.sql';
import { whoOf } from '../who';
import type { SessionContext } from './session-context';

/** The session as its page is told of it. */
export async function sessionView(
  { pool, door, singleSignOnShop }: SessionContext,
  request: Request,
): Promise<SessionView> {
  const { kind, shop, person, name, role, job } = whoOf(request);
  const known = await inShop(shop, () => findShop(pool, shop));
  return {
    kind,
    person: { id: person, name, role },
    shop: known ?? { id: shop, name: shop, forgetsAtSignOut: false },
    job,
    endsAt: request.session.endsAt ?? '',
    hasSingleSignOn: shop === singleSignOnShop,
    rolesByPin: await inShop(shop, () => rolesByPin(pool, request.session.openedBy ?? null)),
    demoShops: kind === 'device' && isLetIn(door, request) ? DEMO_SHOPS : [],
  };
}

/** A PIN has four digits: on a device it opens no role above that of whoever signed the device in by password. */
export async function rolesByPin(pool: Pool, openedBy: string | null): Promise<readonly Role[]> {
  if (openedBy === OPENED_BY_DEMO) return ROLES;
  const opener = openedBy === null ? null : await findPerson(pool, openedBy);
  return ROLES.slice(0, 1 + (opener?.active ? ROLES.indexOf(opener.role) : -1));
}
