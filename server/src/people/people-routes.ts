import type { Request } from 'express';
import type { PersonChanges } from '@tetrad/contracts';
import type { OpenedPerson } from '@tetrad/contracts';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { uuidParam } from '../platform/http/body';
import { runIdempotent, idempotencyKey } from '../platform/http/idempotency';
import { Refusal, misfit, notFound, problem } from '../platform/http/problem';
import { inTransaction } from '../platform/database/pool';
import type { Pool, Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { forgetAttempts } from './attempts';
import {
  addPerson,
  changePerson,
  endSessions,
  findPerson,
  isEmailTaken,
  listPeople,
  lockPeople,
  otherAdministrators,
  personView,
} from './people.sql';
import type { PersonRow } from './people.sql';
import { bytesFor, hashSecret, oneTimePassword } from './secrets';
import { actor, whoOf } from './who';

/** The people of a shop. */
export function peopleRoutes(
  pool: Pool,
  secret: string,
): Handlers<'listPeople' | 'addPerson' | 'changePerson' | 'resetPassword' | 'endSessions'> {
  async function known(id: string, sql: Sql = pool): Promise<PersonRow> {
    const person = await findPerson(sql, id);
    if (!person) throw notFound('person', id);
    return person;
  }

  /** The same again for the same write: who lost the answer is told the password that was stored. */
  async function newPassword(request: Request, id: string) {
    const sent = idempotencyKey(request);
    const { shop } = whoOf(request);
    const password = oneTimePassword(sent === null ? undefined : bytesFor(secret, `password ${shop} ${id} ${sent}`));
    return { password, passwordHash: await hashSecret(password) };
  }

  /** @throws Refusal where nobody would be left to manage people, or an address would be somebody else's too. */
  async function refuseChanges(sql: Sql, { id, role }: PersonRow, changes: PersonChanges): Promise<void> {
    const steps = changes.active === false || (changes.role !== undefined && changes.role !== 'administrator');
    if (role === 'administrator' && steps && (await otherAdministrators(sql, id)) === 0)
      throw misfit([
        { field: 'role', found: changes.role ?? 'leaving', allowed: 'administrator: nobody else here is one' },
      ]);
    if (changes.email && (await isEmailTaken(sql, changes.email, id)))
      throw misfit([{ field: 'email', found: changes.email, allowed: 'an address that nobody else here has' }]);
  }

  return {
    listPeople: async (_request, response) => {
      response.json((await listPeople(pool)).map(personView));
    },

    addPerson: async (request, response, { body }) => {
      const { id, name, role } = body;
      const { password, passwordHash } = await newPassword(request, id);
      await runIdempotent(pool, request, async (sql) => {
        if (!(await addPerson(sql, { id, name, role, passwordHash, mustChange: true })))
          throw new Refusal(
            problem(409, 'name-taken', `This shop has somebody called ${name} already.`, [
              { field: 'name', found: name, allowed: 'a name that nobody here has' },
            ]),
          );
        await addAuditEntry(sql, { what: 'person-added', ...actor(request), about: id, detail: { name, role } });
      });
      response.json({ ...personView(await known(id)), oneTimePassword: password } satisfies OpenedPerson);
    },

    changePerson: async (request, response, { body }) => {
      const id = uuidParam(request, 'person');
      const changes = body;
      await known(id);
      await runIdempotent(pool, request, async (sql) => {
        // of two changes at once the second sees what the first has made of the shop's people
        await lockPeople(sql);
        await refuseChanges(sql, await known(id, sql), changes);
        await changePerson(sql, id, changes);
        if (changes.active === false) await endSessions(sql, id);
        await addAuditEntry(sql, { what: 'person-changed', ...actor(request), about: id, detail: { ...changes } });
      });
      response.json(personView(await known(id)));
    },

    resetPassword: async (request, response) => {
      const id = uuidParam(request, 'person');
      await known(id);
      const { password, passwordHash } = await newPassword(request, id);
      await runIdempotent(pool, request, async (sql) => {
        await changePerson(sql, id, { passwordHash, mustChange: true });
        await endSessions(sql, id);
        await forgetAttempts(sql, id);
        await addAuditEntry(sql, { what: 'password-reset', ...actor(request), about: id });
      });
      response.json({ ...personView(await known(id)), oneTimePassword: password } satisfies OpenedPerson);
    },

    endSessions: async (request, response) => {
      const id = uuidParam(request, 'person');
      await known(id);
      const ended = await inTransaction(pool, async (sql) => {
        const count = await endSessions(sql, id);
        await addAuditEntry(sql, { what: 'sessions-ended', ...actor(request), about: id, detail: { count } });
        return count;
      });
      response.json({ ended });
    },
  };
}
