import type { Request } from 'express';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { inTransaction } from '../platform/database/pool';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { uuidParam } from '../platform/http/body';
import { notFound } from '../platform/http/problem';
import { endSession, findPerson, openSessions } from './people.sql';
import { tokenHash } from './secrets';
import { actor } from './who';

/** Where somebody is signed in, one by one: told to themselves and to those who manage people. */
export function sessionListRoutes(pool: Pool): Handlers<'listSessions' | 'endSession'> {
  async function personOf(request: Request): Promise<string> {
    const id = uuidParam(request, 'person');
    if (!(await findPerson(pool, id))) throw notFound('person', id);
    return id;
  }

  return {
    listSessions: async (request, response) => {
      const person = await personOf(request);
      response.json(await openSessions(pool, person, tokenHash(request.sessionID)));
    },

    endSession: async (request, response) => {
      const person = await personOf(request);
      const session = uuidParam(request, 'session');
      await inTransaction(pool, async (sql) => {
        if (!(await endSession(sql, person, session))) throw notFound('session', session);
        await addAuditEntry(sql, { what: 'session-ended', ...actor(request), about: person, detail: { session } });
      });
      response.end();
    },
  };
}
