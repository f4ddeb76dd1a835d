import type { Request } from 'express';
import { addAuditEntry } from '../../audit-log/audit-log.sql';
import type { Pool } from '../../platform/database/pool';
import { inShop } from '../../platform/database/working-shop';
import { Refusal, misfit, problem } from '../../platform/http/problem';
import { byAddress, byDevice, byPin, byShop } from '../attempts';
import { openSession } from '../open-session';
import { findPerson } from '../people.sql';
import type { PersonRow } from '../people.sql';
import { isSecret } from '../secrets';
import { actor, whoOf } from '../who';
import { prove, provePassword } from './prove';
import { signedIn } from './session-context';
import type { SessionRoute } from './session-context';
import { rolesByPin, sessionView } from './session-view';

/** Who takes the device over, and who had opened it from then on. */
interface Taken {
  readonly person: PersonRow;
  readonly openedBy: string | null;
}

/** Another person takes the device over, by PIN or password; the shift goes on, it does not begin again. */
export const switchUser: SessionRoute<'switchUser'> =
  (context) =>
  async (request, response, { body }) => {
    const { pool } = context;
    const { shop } = whoOf(request);
    const { person: id, pin, password } = body;
    if ((pin === undefined) === (password === undefined))
      throw misfit([{ field: 'pin', found: pin ? 'a PIN and a password' : 'nothing', allowed: 'a PIN or a password' }]);
    const endsAt = new Date(request.session.endsAt ?? Date.now());
    await inShop(shop, async () => {
      const { person, openedBy } =
        password === undefined
          ? await takeByPin(pool, request, id, pin!)
          : await takeByPassword(pool, request, id, password);
      await openSession(request, signedIn(shop, person, 'device'), { endsAt, openedBy });
      await addAuditEntry(pool, { what: 'switched-user', ...actor(request) });
    });
    response.json(await sessionView(context, request));
  };

async function takeByPassword(pool: Pool, request: Request, id: string, password: string): Promise<Taken> {
  const { shop } = whoOf(request);
  const found = await findPerson(pool, id);
  const refusal = new Refusal(problem(403, 'wrong-password', 'Wrong password. Try again.'));
  const person = await provePassword(pool, request, { shop, name: id, found, password, refusal });
  if (person.mustChange)
    throw new Refusal(problem(403, 'password-first', 'This is a one-time password: sign in with it.'));
  return { person, openedBy: person.id };
}

async function takeByPin(pool: Pool, request: Request, id: string, pin: string): Promise<Taken> {
  const { openedBy = null } = request.session;
  const found = await findPerson(pool, id);
  if (found && !(await rolesByPin(pool, openedBy)).includes(found.role))
    throw new Refusal(
      problem(
        403,
        'password-needed',
        `${found.name} (${found.role}) needs the password: this device was signed in by somebody with fewer rights.`,
      ),
    );
  const person = await prove(pool, request, {
    person: found,
    isRight: () => isSecret(pin, found?.pinHash ?? null),
    counters: [byPin(found?.id ?? id.toLowerCase()), byDevice(request.sessionID), byAddress(request.ip), byShop],
    refusal: new Refusal(problem(403, 'wrong-pin', 'Wrong PIN. Try again.')),
  });
  return { person, openedBy };
}
