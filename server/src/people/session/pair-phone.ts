import { addAuditEntry } from '../../audit-log/audit-log.sql';
import { inShop } from '../../platform/database/working-shop';
import { Refusal, problem } from '../../platform/http/problem';
import { openSession } from '../open-session';
import { takePairing } from '../pairings.sql';
import { findPerson } from '../people.sql';
import { tokenHash } from '../secrets';
import { shopOfSession } from '../session-store';
import { actor } from '../who';
import { signedIn } from './session-context';
import type { SessionRoute } from './session-context';
import { sessionView } from './session-view';

/** Signs a phone in for one job, by the code that the bench shows; a code is good once. */
export const pairPhone: SessionRoute<'joinByPhone'> =
  (context) =>
  async (request, response, { body }) => {
    const { pool } = context;
    const { key } = body;
    const shop = shopOfSession(key);
    await inShop(shop, async () => {
      const pairing = await takePairing(pool, tokenHash(key));
      const person = pairing && (await findPerson(pool, pairing.person));
      if (!pairing || !person?.active)
        throw new Refusal(
          problem(403, 'no-pairing', 'This code has been used or is too old. Show a new one on the bench.'),
        );
      await openSession(request, signedIn(shop, person, 'phone', pairing.job), { openedBy: person.id });
      await addAuditEntry(pool, { what: 'phone-paired', ...actor(request), about: pairing.job });
    });
    response.json(await sessionView(context, request));
  };
