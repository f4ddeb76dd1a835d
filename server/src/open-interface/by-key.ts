/** Who asks with a key: `Authorization: Bearer tetrad.<shop>.<token>` (RFC 6750) instead of a session. */
import type { Request, RequestHandler } from 'express';
import { KEY_NAME_PREFIX, shopId } from '@tetrad/contracts';
import type { ShopId } from '@tetrad/contracts';
import type { Pool } from '../platform/database/pool';
import { inShop } from '../platform/database/working-shop';
import { Refusal, problem } from '../platform/http/problem';
import { tokenHash } from '../people/secrets';
import { asksAs } from '../people/who';
import { findKey, noteUse } from './api-keys.sql';

const PREFIX = 'tetrad';

/** A key as it is shown once. */
export const keyText = (shop: ShopId, token: string): string => `${PREFIX}.${shop}.${token}`;

/** What a key is called wherever somebody reads who did something: it never passes for a person. */
export const keyName = (name: string): string => `${KEY_NAME_PREFIX} ${name}`;

const FORM = /^Bearer\s+(tetrad\.([a-z0-9-]{1,40})\.[\w-]{20,100})\s*$/i;

const refused = (detail: string): Refusal => new Refusal(problem(401, 'key-refused', detail));

/** Requests with a key are known by it; `others` knows all that have none. */
export const byKeyOr =
  (pool: Pool, others: RequestHandler): RequestHandler =>
  (request, response, next) => {
    const header = request.get('authorization');
    if (header === undefined) return others(request, response, next);
    know(pool, request, header).then(() => next(), next);
  };

async function know(pool: Pool, request: Request, header: string): Promise<void> {
  const [, text, named] = FORM.exec(header) ?? [];
  if (text === undefined || named === undefined)
    throw refused('The header Authorization holds no key of this server. Allowed: "Bearer tetrad.SHOP.TOKEN".');
  const shop = shopId(named);
  await inShop(shop, async () => {
    const key = await findKey(pool, shop, tokenHash(text));
    if (!key) throw refused('This key is not known here.');
    if (key.isRevoked) throw refused(`The key “${key.name}” was revoked.`);
    if (key.isExpired) throw refused(`The key “${key.name}” expired on ${key.expiresAt.slice(0, 10)}.`);
    if (key.isUnnoted) await noteUse(pool, shop, key.id);
    const { id: person, role } = key;
    asksAs(request, { kind: 'key', shop, person, job: null, name: keyName(key.name), role });
  });
}
