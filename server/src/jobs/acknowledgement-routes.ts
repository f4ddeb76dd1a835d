import { CAUTION_NAMES } from '@tetrad/core';
import { wholeJob } from './job-view';
import { touchJob } from '../job-store/jobs.sql';
import { withClosedJob } from './locked-job';
import { whoOf } from '../people/who';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { nameParam, shopParam } from '../platform/http/body';
import { notFound } from '../platform/http/problem';
import { acknowledge, takeBackAcknowledgement } from '../cautions/acknowledgements.sql';

/** Cautions of one job: acknowledged by name and time, and taken back. */
export function acknowledgementRoutes(pool: Pool): Handlers<'acknowledgeCaution' | 'takeBackAcknowledgement'> {
  return {
    acknowledgeCaution: async (request, response, { body }) => {
      const shop = shopParam(request);
      const { caution } = body;
      await withClosedJob(pool, request, 'acknowledged', async (sql, { id }) => {
        await acknowledge(sql, shop, id, caution, whoOf(request).name);
        await touchJob(sql, shop, id);
        return { caution };
      });
      response.json(await wholeJob(pool, request));
    },

    takeBackAcknowledgement: async (request, response) => {
      const shop = shopParam(request);
      const caution = nameParam(request, 'caution', CAUTION_NAMES);
      await withClosedJob(pool, request, 'acknowledgement-taken-back', async (sql, { id }) => {
        if (!(await takeBackAcknowledgement(sql, shop, id, caution))) throw notFound('acknowledgement', caution);
        await touchJob(sql, shop, id);
        return { caution };
      });
      response.json(await wholeJob(pool, request));
    },
  };
}
