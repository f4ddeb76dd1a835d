import { Router } from 'express';
import { NewPracticeResult } from '@tetrad/contracts';
import { whoOf } from '../people/who';
import type { Pool } from '../platform/database/pool';
import { bodyAs, shopParam, uuidParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { addResult, listClass, listResults } from './practice.sql';

/** What was practiced: everybody their own, a lead all of it. Nothing of it is a job. */
export function practiceRoutes(pool: Pool): Router {
  const router = Router({ mergeParams: true });

  router.get('/practice/results', async (request, response) => {
    response.json(await listResults(pool, shopParam(request), whoOf(request).person));
  });

  router.put('/practice/results/:result', async (request, response) => {
    const { person } = whoOf(request);
    const id = uuidParam(request, 'result');
    const { result } = bodyAs(NewPracticeResult, request);
    await runIdempotent(pool, request, (sql) => addResult(sql, shopParam(request), { id, person, result }));
    response.status(204).end();
  });

  router.get('/practice/class', async (request, response) => {
    response.json(await listClass(pool, shopParam(request)));
  });

  return router;
}
