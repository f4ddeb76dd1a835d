import { addAuditEntry } from '../../audit-log/audit-log.sql';
import { inTransaction } from '../../platform/database/pool';
import { inShop } from '../../platform/database/working-shop';
import { misfit } from '../../platform/http/problem';
import { openSession } from '../open-session';
import { changePerson, endSessions, findPerson } from '../people.sql';
import { hashSecret } from '../secrets';
import { actor, whoOf } from '../who';
import { provePassword } from './prove';
import { signedIn } from './session-context';
import type { SessionRoute } from './session-context';
import { sessionView } from './session-view';

/** One's own password and PIN. */
export const changeOwnSecrets: SessionRoute<'changeOwnSecrets'> =
  (context) =>
  async (request, response, { body }) => {
    const { pool } = context;
    const { shop, person: id } = whoOf(request);
    const { password, newPassword, pin } = body;
    await inShop(shop, async () => {
      const found = await findPerson(pool, id);
      const refusal = misfit([{ field: 'password', found: 'another', allowed: 'your current password' }]);
      const person = await provePassword(pool, request, { shop, name: id, found, password, refusal });
      if (person.mustChange && !newPassword)
        throw misfit([{ field: 'newPassword', found: 'nothing', allowed: 'a password of your own' }]);
      const passwordHash = newPassword && (await hashSecret(newPassword));
      const pinHash = pin && (await hashSecret(pin));
      await inTransaction(pool, async (sql) => {
        await changePerson(sql, id, { passwordHash, pinHash, ...(newPassword && { mustChange: false }) });
        // whoever knew the old one is out
        if (newPassword) await endSessions(sql, id);
        await addAuditEntry(sql, { what: 'secrets-changed', ...actor(request) });
      });
      if (newPassword) await openSession(request, signedIn(shop, person, 'device'), { openedBy: id });
    });
    response.json(await sessionView(context, request));
  };
