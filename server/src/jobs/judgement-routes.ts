import { jobOf } from './locked-job';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam } from '../platform/http/body';
import { misfit, notFound } from '../platform/http/problem';
import { judgementAt, listJudgements } from '../judgements/judgements.sql';

/** What was said of a job, and when. */
export function judgementRoutes(pool: Pool): Handlers<'listJudgements' | 'getJudgement'> {
  return {
    listJudgements: async (request, response) => {
      const { id } = await jobOf(pool, request);
      response.json(await listJudgements(pool, shopParam(request), id));
    },

    /** What was said at a time, whole. */
    getJudgement: async (request, response) => {
      const { id } = await jobOf(pool, request);
      const word = String(request.params['seq']);
      if (!/^[1-9]\d{0,14}$/.test(word))
        throw misfit([{ field: 'seq', found: JSON.stringify(word), allowed: 'the number of a judgement' }]);
      const said = await judgementAt(pool, shopParam(request), id, Number(word));
      if (!said) throw notFound('judgement', word);
      response.json(said);
    },
  };
}
