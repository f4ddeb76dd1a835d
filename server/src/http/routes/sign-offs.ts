import { Router } from 'express';
import { NewSignOff } from '@tetrad/contracts';
import type { Decision } from '@tetrad/core';
import { judgeJob } from '../../judging/judge-job';
import { permit } from '../../people/who';
import { changeJob } from '../../sql/jobs';
import { newestJudgement } from '../../sql/judgements';
import type { Pool } from '../../sql/pool';
import { addSignOff } from '../../sql/sign-offs';
import { bodyAs, shopParam } from '../body';
import { misfit } from '../problem';
import { wholeJob } from './jobs';
import { withJob } from './with-job';

/** Signing a job off closes it; a decision that differs from the judge's needs its reason. */
export function signOffRoutes(pool: Pool): Router {
  const router = Router({ mergeParams: true });

  router.post('/sign-offs', async (request, response) => {
    const shop = shopParam(request);
    const signer = permit(request, 'sign-off');
    const body = bodyAs(NewSignOff, request);
    await withJob(pool, request, 'signed-off', async (sql, job) => {
      const judged = (await newestJudgement(sql, shop, job.id))?.decision ?? null;
      const isOther = differs(body, judged);
      if (isOther) permit(request, 'differ');
      if (isOther && !body.reason?.trim())
        throw misfit([
          {
            field: 'reason',
            found: 'nothing',
            allowed: `the reason, since the judge says ${judged?.action ?? 'nothing'} ${judged?.part ?? ''}`.trim(),
          },
        ]);
      await addSignOff(sql, shop, job.id, body, signer, judged);
      await changeJob(sql, shop, job.id, { version: job.version, status: 'closed' });
      await judgeJob(sql, shop, job);
      return { signOff: body.id, action: body.action, part: body.part ?? null, differs: isOther };
    });
    response.status(201).json(await wholeJob(pool, request));
  });

  return router;
}

const differs = (body: NewSignOff, judged: Decision | null): boolean =>
  body.action !== judged?.action || (body.part ?? null) !== judged.part;
