import { isSameDecision } from '@tetrad/core';
import { judgeJob } from '../judgements/judge-job';
import { identityKind, permit, whoOf } from '../people/who';
import type { SignedIn } from '../people/session-store';
import { changeJob } from '../job-store/jobs.sql';
import { newestJudgement } from '../judgements/judgements.sql';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { saidWith } from '../judgements/said-with';
import { addSignOff, isStoredSignOff, mayReopen, supersedeSignOffs } from '../signing/sign-offs.sql';
import type { Signer } from '../signing/sign-offs.sql';
import { shopParam } from '../platform/http/body';
import { misfit } from '../platform/http/problem';
import { wholeJob } from './job-view';
import { stopTimers } from '../waiting/timers.sql';
import { tellSignedOff } from '../webhooks/tell-decision';
import { withClosedJob } from './locked-job';

const signerOf = (who: SignedIn): Signer => ({
  name: who.name,
  id: who.person,
  kind: identityKind(who),
  role: who.role,
});

/** Signing a job off closes it; a decision that differs from the judge's needs its reason. */
export function signOffRoutes(pool: Pool): Handlers<'signOff'> {
  return {
    signOff: async (request, response, { body }) => {
      const shop = shopParam(request);
      const signer = whoOf(request);
      await withClosedJob(pool, request, 'signed-off', async (sql, job) => {
        if (job.status === 'closed' && !(await isStoredSignOff(sql, shop, job.id, body.id))) {
          // who signs a closed job opens it and closes it again
          if (!(await mayReopen(sql, shop, job.id, signer))) permit(request, 'differ');
          await supersedeSignOffs(sql, shop, job.id, signer.name);
        }
        const newest = await newestJudgement(sql, shop, job.id);
        const judged = newest?.decision ?? null;
        const isOther = !isSameDecision(body, judged);
        if (isOther) permit(request, 'differ');
        if (isOther && !body.reason?.trim())
          throw misfit([
            {
              field: 'reason',
              found: 'nothing',
              allowed: `the reason, since the judge says ${judged?.action ?? 'nothing'} ${judged?.part ?? ''}`.trim(),
            },
          ]);
        await addSignOff(sql, shop, job.id, body, signerOf(signer), judged, {
          probability: newest && (await saidWith(sql, shop, job.id, newest)),
        });
        await stopTimers(sql, shop, job.id);
        await changeJob(sql, shop, job.id, { version: job.version, status: 'closed' });
        await judgeJob(sql, shop, job);
        await tellSignedOff(sql, shop, job, body, signer.name);
        return { signOff: body.id, action: body.action, part: body.part ?? null, differs: isOther };
      });
      response.json(await wholeJob(pool, request));
    },
  };
}
