import { shopId } from '@tetrad/contracts';
import { addAuditEntry } from '../../audit-log/audit-log.sql';
import { inShop } from '../../platform/database/working-shop';
import { Refusal, misfit, problem } from '../../platform/http/problem';
import { DEMO_PEOPLE, DEMO_SHOPS, isLetIn } from '../demo';
import { OPENED_BY_DEMO, openSession } from '../open-session';
import { findPerson } from '../people.sql';
import { actor } from '../who';
import { signedIn } from './session-context';
import type { SessionRoute } from './session-context';
import { sessionView } from './session-view';

/** Lets somebody into the demo without a password, as its made-up technician. */
export const demoSignIn: SessionRoute<'signInToDemo'> =
  (context) =>
  async (request, response, { body }) => {
    const { pool, door } = context;
    const { shop: named = DEMO_SHOPS[0]!.id } = body;
    const shop = shopId(named);
    if (!isLetIn(door, request))
      throw new Refusal(problem(403, 'no-demo', 'This is not the demo, or not the machine that it runs on.'));
    if (!DEMO_SHOPS.some(({ id }) => id === shop))
      throw misfit([{ field: 'shop', found: shop, allowed: `one of ${DEMO_SHOPS.map(({ id }) => id).join(', ')}` }]);
    await inShop(shop, async () => {
      const person = await findPerson(pool, DEMO_PEOPLE[0]!.id);
      if (!person?.active) throw new Refusal(problem(403, 'no-demo', 'The made-up technician of the demo is gone.'));
      await openSession(request, signedIn(shop, person, 'device'), { openedBy: OPENED_BY_DEMO });
      await addAuditEntry(pool, { what: 'signed-in', ...actor(request) });
    });
    response.json(await sessionView(context, request));
  };
