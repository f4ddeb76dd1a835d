import { Router } from 'express';
import { NewOutcome } from '@tetrad/contracts';
import { anonymousCase } from '@tetrad/core/outcomes';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { wholeJob } from '../jobs/job-view';
import { jobOf, withClosedJob } from '../jobs/locked-job';
import { viewOf } from '../judgements/judge-job';
import { actor, whoOf } from '../people/who';
import { touchJob } from '../jobs/jobs.sql';
import type { Pool } from '../platform/database/pool';
import { bodyAs, shopParam } from '../platform/http/body';
import { misfit } from '../platform/http/problem';
import { isSignedOff } from '../signing/sign-offs.sql';
import { addOutcome } from './outcomes.sql';

/** What became of one job: recorded after its sign-off, and its case to be given away. */
export function jobOutcomeRoutes(pool: Pool): Router {
  const router = Router({ mergeParams: true });

  router.post('/outcomes', async (request, response) => {
    const shop = shopParam(request);
    const who = whoOf(request);
    const body = bodyAs(NewOutcome, request);
    await withClosedJob(pool, request, 'outcome-recorded', async (sql, job) => {
      if (!(await isSignedOff(sql, shop, job.id))) throw notSignedOff('never signed off');
      if (job.status !== 'closed') throw notSignedOff('open again');
      await addOutcome(sql, shop, job.id, body, who.name);
      await touchJob(sql, shop, job.id);
      return { outcome: body.id, complaint: body.complaint, cause: body.cause ?? null };
    });
    response.status(201).json(await wholeJob(pool, request));
  });

  router.get('/anonymous-case', async (request, response) => {
    const shop = shopParam(request);
    const job = await jobOf(pool, request);
    await addAuditEntry(pool, { what: 'case-exported', ...actor(request), about: job.id, detail: { anonymous: true } });
    response.attachment('anonymous.case.json');
    response.json(anonymousCase((await viewOf(pool, shop, job)).case));
  });

  return router;
}

const notSignedOff = (found: string) => misfit([{ field: 'job', found, allowed: 'a job that was signed off here' }]);
