import { Router } from 'express';
import type { Request } from 'express';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { inTransaction } from '../platform/database/pool';
import type { Pool } from '../platform/database/pool';
import { uuidParam } from '../platform/http/body';
import { notFound } from '../platform/http/problem';
import { endSession, findPerson, openSessions } from './people.sql';
import { tokenHash } from './secrets';
import { actor } from './who';

/** Where somebody is signed in, one by one: told to themselves and to those who manage people. */
export function sessionListRoutes(pool: Pool): Router {
  const router = Router({ mergeParams: true });

  async function personOf(request: Request): Promise<string> {
    const id = uuidParam(request, 'person');
    if (!(await findPerson(pool, id))) throw notFound('person', id);
    return id;
  }

  router.get('/people/:person/sessions', async (request, response) => {
    const person = await personOf(request);
    response.json(await openSessions(pool, person, tokenHash(request.sessionID)));
  });

  router.delete('/people/:person/sessions/:session', async (request, response) => {
    const person = await personOf(request);
    const session = uuidParam(request, 'session');
    await inTransaction(pool, async (sql) => {
      if (!(await endSession(sql, person, session))) throw notFound('session', session);
      await addAuditEntry(sql, { what: 'session-ended', ...actor(request), about: person, detail: { session } });
    });
    response.status(204).end();
  });

  return router;
}
