import { touchJob } from '../job-store/jobs.sql';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { startTimer, stopTimer } from '../waiting/timers.sql';
import { shopParam, uuidParam } from '../platform/http/body';
import { notFound } from '../platform/http/problem';
import { wholeJob } from './job-view';
import { withClosedJob } from './locked-job';

/** Timers of one job, on the server's clock. */
export function timerRoutes(pool: Pool): Handlers<'startTimer' | 'stopTimer'> {
  return {
    startTimer: async (request, response, { body }) => {
      const shop = shopParam(request);
      await withClosedJob(pool, request, 'timer-started', async (sql, { id }) => {
        await startTimer(sql, shop, id, body);
        await touchJob(sql, shop, id);
        return { timer: body.id, kind: body.kind };
      });
      response.json(await wholeJob(pool, request));
    },

    stopTimer: async (request, response) => {
      const shop = shopParam(request);
      const timer = uuidParam(request, 'timer');
      await withClosedJob(pool, request, 'timer-stopped', async (sql, { id }) => {
        if (!(await stopTimer(sql, shop, id, timer))) throw notFound('timer', timer);
        await touchJob(sql, shop, id);
        return { timer };
      });
      response.json(await wholeJob(pool, request));
    },
  };
}
