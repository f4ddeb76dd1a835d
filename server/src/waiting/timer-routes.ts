import { Router } from 'express';
import { StartTimer } from '@tetrad/contracts';
import { touchJob } from '../jobs/jobs.sql';
import type { Pool } from '../platform/database/pool';
import { startTimer, stopTimer } from './timers.sql';
import { bodyAs, shopParam, uuidParam } from '../platform/http/body';
import { notFound } from '../platform/http/problem';
import { wholeJob } from '../jobs/job-view';
import { withClosedJob } from '../jobs/locked-job';

/** Timers of one job, on the server's clock. */
export function timerRoutes(pool: Pool): Router {
  const router = Router({ mergeParams: true });

  router.post('/timers', async (request, response) => {
    const shop = shopParam(request);
    const body = bodyAs(StartTimer, request);
    await withClosedJob(pool, request, 'timer-started', async (sql, { id }) => {
      await startTimer(sql, shop, id, body);
      await touchJob(sql, shop, id);
      return { timer: body.id, kind: body.kind };
    });
    response.status(201).json(await wholeJob(pool, request));
  });

  router.post('/timers/:timer/stop', async (request, response) => {
    const shop = shopParam(request);
    const timer = uuidParam(request, 'timer');
    await withClosedJob(pool, request, 'timer-stopped', async (sql, { id }) => {
      if (!(await stopTimer(sql, shop, id, timer))) throw notFound('timer', timer);
      await touchJob(sql, shop, id);
      return { timer };
    });
    response.json(await wholeJob(pool, request));
  });

  return router;
}
