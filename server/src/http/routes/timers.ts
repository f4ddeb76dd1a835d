import { Router } from 'express';
import { Acknowledge, StartTimer } from '@tetrad/contracts';
import { CAUTION_NAMES } from '@tetrad/core';
import { whoOf } from '../../people/who';
import { acknowledge, takeBackAcknowledgement } from '../../sql/acknowledgements';
import { touchJob } from '../../sql/jobs';
import type { Pool } from '../../sql/pool';
import { startTimer, stopTimer } from '../../sql/timers';
import { bodyAs, nameParam, shopParam, uuidParam } from '../body';
import { notFound } from '../problem';
import { wholeJob } from './jobs';
import { withJob } from './with-job';

/** What surrounds the readings of one job: timers on the server's clock, and cautions acknowledged. */
export function timerRoutes(pool: Pool): Router {
  const router = Router({ mergeParams: true });

  router.post('/timers', async (request, response) => {
    const shop = shopParam(request);
    const body = bodyAs(StartTimer, request);
    await withJob(pool, request, null, async (sql, { id }) => {
      await startTimer(sql, shop, id, body);
      await touchJob(sql, shop, id);
    });
    response.status(201).json(await wholeJob(pool, request));
  });

  router.post('/timers/:timer/stop', async (request, response) => {
    const shop = shopParam(request);
    const timer = uuidParam(request, 'timer');
    await withJob(pool, request, null, async (sql, { id }) => {
      if (!(await stopTimer(sql, shop, id, timer))) throw notFound('timer', timer);
      await touchJob(sql, shop, id);
    });
    response.json(await wholeJob(pool, request));
  });

  router.post('/acknowledgements', async (request, response) => {
    const shop = shopParam(request);
    const { caution } = bodyAs(Acknowledge, request);
    await withJob(pool, request, 'acknowledged', async (sql, { id }) => {
      await acknowledge(sql, shop, id, caution, whoOf(request).name);
      await touchJob(sql, shop, id);
      return { caution };
    });
    response.status(201).json(await wholeJob(pool, request));
  });

  router.post('/acknowledgements/:caution/take-back', async (request, response) => {
    const shop = shopParam(request);
    const caution = nameParam(request, 'caution', CAUTION_NAMES);
    await withJob(pool, request, 'acknowledgement-taken-back', async (sql, { id }) => {
      if (!(await takeBackAcknowledgement(sql, shop, id, caution))) throw notFound('acknowledgement', caution);
      await touchJob(sql, shop, id);
      return { caution };
    });
    response.json(await wholeJob(pool, request));
  });

  return router;
}
