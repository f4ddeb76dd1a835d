import { whoOf } from '../people/who';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam, uuidParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { addResult, listClass, listResults } from './practice.sql';

/** What was practiced: everybody their own, a lead all of it. Nothing of it is a job. */
export function practiceRoutes(pool: Pool): Handlers<'listPracticeResults' | 'putPracticeResult' | 'getClass'> {
  return {
    listPracticeResults: async (request, response) => {
      response.json(await listResults(pool, shopParam(request), whoOf(request).person));
    },

    putPracticeResult: async (request, response, { body }) => {
      const { person } = whoOf(request);
      const id = uuidParam(request, 'result');
      const { result } = body;
      await runIdempotent(pool, request, (sql) => addResult(sql, shopParam(request), { id, person, result }));
      response.end();
    },

    getClass: async (request, response) => {
      response.json(await listClass(pool, shopParam(request)));
    },
  };
}
