import { addAuditEntry } from '../../audit-log/audit-log.sql';
import { inShop } from '../../platform/database/working-shop';
import { closeSession } from '../open-session';
import { actor, whoOf } from '../who';
import type { SessionRoute } from './session-context';

/** Ends the session of this device. */
export const signOut: SessionRoute<'signOut'> =
  ({ pool }) =>
  async (request, response) => {
    const { shop } = whoOf(request);
    await inShop(shop, async () => {
      await addAuditEntry(pool, { what: 'signed-out', ...actor(request) });
      await closeSession(request);
    });
    response.end();
  };
