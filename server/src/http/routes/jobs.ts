import { Router } from 'express';
import { JOB_STATUSES, JobChanges, NewJob } from '@tetrad/contracts';
import type { JobStatus, JobView } from '@tetrad/contracts';
import { judgeJob, viewJob } from '../../judging/judge-job';
import { addJob, changeJob, findJob, listJobs } from '../../sql/jobs';
import { inTransaction } from '../../sql/pool';
import type { Pool } from '../../sql/pool';
import { changeVehicle, listVehicles, listVisits } from '../../sql/vehicles';
import { bodyAs, shopParam, uuidParam } from '../body';
import { Refusal, misfit, notFound, problem } from '../problem';

/** The floor, the vehicles, and single jobs of one shop. */
export function jobRoutes(pool: Pool): Router {
  const router = Router({ mergeParams: true });

  router.get('/jobs', async (request, response) => {
    const status = request.query['status'] ?? 'open';
    if (!JOB_STATUSES.includes(status as JobStatus))
      throw misfit([{ field: 'status', found: JSON.stringify(status), allowed: `one of ${JOB_STATUSES.join(', ')}` }]);
    response.json(await listJobs(pool, shopParam(request), status as JobStatus));
  });

  router.get('/vehicles', async (request, response) => {
    response.json(await listVehicles(pool, shopParam(request)));
  });

  router.get('/vehicles/:vehicle/visits', async (request, response) => {
    response.json(await listVisits(pool, shopParam(request), uuidParam(request, 'vehicle')));
  });

  router.post('/jobs', async (request, response) => {
    const shop = shopParam(request);
    const body = bodyAs(NewJob, request);
    const isNew = await inTransaction(pool, async (sql) => {
      const added = await addJob(sql, shop, body);
      if (added) await judgeJob(sql, shop, (await findJob(sql, shop, body.id))!);
      return added;
    });
    response.status(isNew ? 201 : 200).json(await wholeJob(pool, shop, body.id));
  });

  router.get('/jobs/:job', async (request, response) => {
    const shop = shopParam(request);
    response.json(await wholeJob(pool, shop, uuidParam(request, 'job')));
  });

  router.patch('/jobs/:job', async (request, response) => {
    const shop = shopParam(request);
    const id = uuidParam(request, 'job');
    const changes = bodyAs(JobChanges, request);
    await inTransaction(pool, async (sql) => {
      const job = await findJob(sql, shop, id, true);
      if (!job) throw notFound('job', id);
      if (!(await changeJob(sql, shop, id, changes))) throw changedMeanwhile(changes.version, job.version);
      if (changes.vehicle) await changeVehicle(sql, shop, job.vehicle.id, changes.vehicle);
      await judgeJob(sql, shop, (await findJob(sql, shop, id))!);
    });
    response.json(await wholeJob(pool, shop, id));
  });

  return router;
}

export async function wholeJob(pool: Pool, shop: string, id: string): Promise<JobView> {
  const view = await viewJob(pool, shop, id);
  if (!view) throw notFound('job', id);
  return view;
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
