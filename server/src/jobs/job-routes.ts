import type { Request } from 'express';
import type { JobChanges } from '@tetrad/contracts';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { criteriaOf } from '../criteria/criteria-of';
import { judgeJob } from '../judgements/judge-job';
import { scopeOfRequest } from '../people/access';
import { actor, permit, whoOf } from '../people/who';
import type { Pool, Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam } from '../platform/http/body';
import { isRepeat } from '../platform/http/idempotency';
import { Refusal, misfit, problem } from '../platform/http/problem';
import { mayReopen, supersedeSignOffs } from '../signing/sign-offs.sql';
import { changeVehicle, isHiddenVehicle } from '../vehicles/vehicles.sql';
import { refuseTaken } from '../vehicles/taken';
import { storing } from './storing';
import { ownJob, storedJob, wholeJob } from './job-view';
import { addJob, changeJob, findJob } from '../job-store/jobs.sql';
import type { JobRow } from '../job-store/jobs.sql';
import { closed, withClosedJob } from './locked-job';

/** What a job was closed with, and keeps until it is opened again. */
const OF_EVIDENCE = ['system', 'complaint', 'conditions', 'criteria', 'pass', 'vehicle'] as const;

/** Single jobs of one shop. */
export function jobRoutes(pool: Pool): Handlers<'openJob' | 'getJob' | 'changeJob'> {
  return {
    openJob: async (request, response, { body }) => {
      const shop = shopParam(request);
      const isNew = await storing(pool, async (sql) => {
        if (await isRepeat(sql, request)) return true; // answered as the first time
        if (await isHiddenVehicle(sql, shop, body.vehicle.id, scopeOfRequest(request)))
          throw misfit([
            { field: 'vehicle.id', found: body.vehicle.id, allowed: 'a vehicle that you may see, or a new one' },
          ]);
        const added = await addJob(sql, shop, body);
        if (!added) return false;
        await judgeJob(sql, shop, (await findJob(sql, shop, body.id))!);
        await addAuditEntry(sql, { what: 'job-opened', ...actor(request), about: body.id });
        return true;
      });
      response.status(isNew ? 201 : 200).json(await (isNew ? ownJob : storedJob)(pool, request, body.id));
    },

    getJob: async (request, response) => {
      response.json(await wholeJob(pool, request));
    },

    changeJob: async (request, response, { body }) => {
      const shop = shopParam(request);
      const changes = body;
      await withClosedJob(pool, request, 'job-changed', async (sql, job) => {
        const { id, version, vehicle } = job;
        await refuseStatus(sql, request, job, changes);
        if (job.status === 'closed') {
          if (changes.status !== 'open' && OF_EVIDENCE.some((name) => changes[name] !== undefined)) throw closed(job);
          if (changes.status === 'open') await supersedeSignOffs(sql, shop, id, whoOf(request).name);
        }
        if (changes.criteria !== undefined) await criteriaOf(sql, shop, changes.criteria);
        if (!(await changeJob(sql, shop, id, changes))) throw changedMeanwhile(changes.version, version);
        const scope = scopeOfRequest(request);
        const told = changes.vehicle;
        if (told && !(await refuseTaken(() => changeVehicle(sql, shop, vehicle.id, told, scope), { ...told })))
          throw new Refusal(
            problem(403, 'not-allowed', 'This vehicle has jobs of others: only those who may see them may change it.'),
          );
        await judgeJob(sql, shop, (await findJob(sql, shop, id))!);
        return { changed: Object.keys(changes).filter((name) => name !== 'version') };
      });
      response.json(await wholeJob(pool, request));
    },
  };
}

/** A job is closed by its sign-off alone, and opened again by those who may sign it off; one that a lead signed by leads. */
async function refuseStatus(sql: Sql, request: Request, job: JobRow, { status }: JobChanges): Promise<void> {
  if (status === undefined || status === job.status) return;
  if (status === 'closed')
    throw misfit([{ field: 'status', found: 'closed', allowed: 'open: a job is closed by signing it off' }]);
  permit(request, 'sign-off');
  if (!(await mayReopen(sql, shopParam(request), job.id, whoOf(request)))) permit(request, 'differ');
}

const changedMeanwhile = (given: number, current: number): Refusal =>
  new Refusal(
    problem(
      409,
      'changed-meanwhile',
      `Somebody else changed this job: it is at version ${current}, the change was made on ${given}. Read it again and repeat the change.`,
      [{ field: 'version', found: String(given), allowed: String(current) }],
    ),
  );
