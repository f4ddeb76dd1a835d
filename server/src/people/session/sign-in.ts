import { shopId } from '@tetrad/contracts';
import { addAuditEntry } from '../../audit-log/audit-log.sql';
import { inShop } from '../../platform/database/working-shop';
import { Refusal, problem } from '../../platform/http/problem';
import { findShop } from '../../shops/shops.sql';
import { NO_SHOP } from '../attempts';
import { openSession } from '../open-session';
import { personNamed } from '../people.sql';
import { actor } from '../who';
import { provePassword } from './prove';
import { signedIn } from './session-context';
import type { SessionRoute } from './session-context';
import { sessionView } from './session-view';

/** Signs a device in, by shop, name and password. */
export const signIn: SessionRoute<'signIn'> =
  (context) =>
  async (request, response, { body }) => {
    const { pool } = context;
    const { shop: named, name, password } = body;
    const shop = shopId(named);
    const refusal = new Refusal(problem(401, 'wrong-sign-in', 'This shop, name and password do not belong together.'));
    const isKnown = (await inShop(shop, () => findShop(pool, shop))) !== null;
    await inShop(isKnown ? shop : NO_SHOP, async () => {
      const found = await personNamed(pool, name);
      const person = await provePassword(pool, request, { shop, name, found, password, refusal });
      await openSession(request, signedIn(shop, person, person.mustChange ? 'first' : 'device'), {
        openedBy: person.id,
      });
      await addAuditEntry(pool, { what: 'signed-in', ...actor(request) });
    });
    response.json(await sessionView(context, request));
  };
