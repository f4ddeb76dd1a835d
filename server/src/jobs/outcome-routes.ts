import { anonymousCase } from '@tetrad/core/outcomes';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { wholeJob } from './job-view';
import { jobOf, withClosedJob } from './locked-job';
import { viewOf } from '../judgements/judge-job';
import { actor, whoOf } from '../people/who';
import { touchJob } from '../job-store/jobs.sql';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam } from '../platform/http/body';
import { misfit } from '../platform/http/problem';
import { isSignedOff } from '../signing/sign-offs.sql';
import { addOutcome } from '../outcomes/outcomes.sql';

/** What became of one job: recorded after its sign-off, and its case to be given away. */
export function jobOutcomeRoutes(pool: Pool): Handlers<'recordOutcome' | 'getAnonymousCase'> {
  return {
    recordOutcome: async (request, response, { body }) => {
      const shop = shopParam(request);
      const who = whoOf(request);
      await withClosedJob(pool, request, 'outcome-recorded', async (sql, job) => {
        if (!(await isSignedOff(sql, shop, job.id))) throw notSignedOff('never signed off');
        if (job.status !== 'closed') throw notSignedOff('open again');
        await addOutcome(sql, shop, job.id, body, who.name);
        await touchJob(sql, shop, job.id);
        return { outcome: body.id, complaint: body.complaint, cause: body.cause ?? null };
      });
      response.json(await wholeJob(pool, request));
    },

    getAnonymousCase: async (request, response) => {
      const shop = shopParam(request);
      const job = await jobOf(pool, request);
      await addAuditEntry(pool, {
        what: 'case-exported',
        ...actor(request),
        about: job.id,
        detail: { anonymous: true },
      });
      response.attachment('anonymous.case.json');
      response.json(anonymousCase((await viewOf(pool, shop, job)).case));
    },
  };
}

const notSignedOff = (found: string) => misfit([{ field: 'job', found, allowed: 'a job that was signed off here' }]);
