import { Router } from 'express';
import type { Request } from 'express';
import { FLOOR_PAGE, FloorQuery, JobChanges, NewJob, VEHICLES_PAGE, VehicleQuery } from '@tetrad/contracts';
import type { JobView } from '@tetrad/contracts';
import { addAct } from '../../acts/acts.sql';
import { judgeJob, viewOf } from '../../judging/judge-job';
import { scopeOfRequest } from '../../people/access';
import { actor, permit, whoOf } from '../../people/who';
import { addJob, changeJob, findJob, listJobs } from '../../sql/jobs';
import type { JobRow } from '../../sql/jobs';
import { judgementAt, listJudgements } from '../../sql/judgements';
import { inTransaction } from '../../sql/pool';
import type { Pool, Sql } from '../../sql/pool';
import { mayReopen } from '../../sql/sign-offs';
import { changeVehicle, isHiddenVehicle, listVehicles, listVisits } from '../../sql/vehicles';
import { bodyAs, queryAs, shopParam, uuidParam } from '../body';
import { Refusal, misfit, notFound, problem } from '../problem';
import { tellNextPage } from '../next-page';
import { isRepeat } from '../once';
import { jobOf, withJob } from './with-job';

/** The floor, the vehicles, and single jobs of one shop. @param lists Where lists are read from. */
export function jobRoutes(pool: Pool, lists: Sql): Router {
  const router = Router({ mergeParams: true });

  router.get('/jobs', async (request, response) => {
    const { status = 'open', sort = 'changed', limit = FLOOR_PAGE, ...more } = queryAs(FloorQuery, request);
    const { rows, next } = await listJobs(lists, shopParam(request), {
      status,
      sort,
      limit: more.ids?.length ?? limit,
      ...more,
      scope: scopeOfRequest(request),
    });
    tellNextPage(request, response, next);
    response.json(rows);
  });

  router.get('/vehicles', async (request, response) => {
    const { limit = VEHICLES_PAGE, ...more } = queryAs(VehicleQuery, request);
    const scope = scopeOfRequest(request);
    const { rows, next } = await listVehicles(lists, shopParam(request), { limit, ...more, scope });
    tellNextPage(request, response, next);
    response.json(rows);
  });

  router.get('/vehicles/:vehicle/visits', async (request, response) => {
    response.json(await listVisits(lists, shopParam(request), uuidParam(request, 'vehicle'), scopeOfRequest(request)));
  });

  router.post('/jobs', async (request, response) => {
    const shop = shopParam(request);
    permit(request, 'work');
    const body = bodyAs(NewJob, request);
    const isNew = await inTransaction(pool, async (sql) => {
      if (await isRepeat(sql, request)) return true; // answered as the first time
      if (await isHiddenVehicle(sql, shop, body.vehicle.id, scopeOfRequest(request)))
        throw misfit([
          { field: 'vehicle.id', found: body.vehicle.id, allowed: 'a vehicle that you may see, or a new one' },
        ]);
      const added = await addJob(sql, shop, body);
      if (!added) return false;
      await judgeJob(sql, shop, (await findJob(sql, shop, body.id))!);
      await addAct(sql, { what: 'job-opened', ...actor(request), about: body.id });
      return true;
    });
    response.status(isNew ? 201 : 200).json(await storedJob(pool, request, body.id));
  });

  router.get('/jobs/:job', async (request, response) => {
    response.json(await wholeJob(pool, request));
  });

  router.get('/jobs/:job/judgements', async (request, response) => {
    const { id } = await jobOf(pool, request);
    response.json(await listJudgements(pool, shopParam(request), id));
  });

  /** What was said at a time, whole. */
  router.get('/jobs/:job/judgements/:seq', async (request, response) => {
    const { id } = await jobOf(pool, request);
    const word = String(request.params['seq']);
    if (!/^[1-9]\d{0,14}$/.test(word))
      throw misfit([{ field: 'seq', found: JSON.stringify(word), allowed: 'the number of a judgement' }]);
    const said = await judgementAt(pool, shopParam(request), id, Number(word));
    if (!said) throw notFound('judgement', word);
    response.json(said);
  });

  router.patch('/jobs/:job', async (request, response) => {
    const shop = shopParam(request);
    const changes = bodyAs(JobChanges, request);
    await withJob(pool, request, 'job-changed', async (sql, job) => {
      const { id, version, vehicle } = job;
      await refuseStatus(sql, request, job, changes);
      if (!(await changeJob(sql, shop, id, changes))) throw changedMeanwhile(changes.version, version);
      const scope = scopeOfRequest(request);
      if (changes.vehicle && !(await changeVehicle(sql, shop, vehicle.id, changes.vehicle, scope)))
        throw new Refusal(
          problem(403, 'not-allowed', 'This vehicle has jobs of others: only those who may see them may change it.'),
        );
      await judgeJob(sql, shop, (await findJob(sql, shop, id))!);
      return { changed: Object.keys(changes).filter((name) => name !== 'version') };
    });
    response.json(await wholeJob(pool, request));
  });

  return router;
}

/** A job is closed by its sign-off alone, and opened again by those who may sign it off; one that a lead signed by leads. */
async function refuseStatus(sql: Sql, request: Request, job: JobRow, { status }: JobChanges): Promise<void> {
  if (status === undefined || status === job.status) return;
  if (status === 'closed')
    throw misfit([{ field: 'status', found: 'closed', allowed: 'open: a job is closed by signing it off' }]);
  permit(request, 'sign-off');
  if (!(await mayReopen(sql, shopParam(request), job.id, whoOf(request)))) permit(request, 'differ');
}

/** The job of the address, whole. */
export async function wholeJob(pool: Pool, request: Request): Promise<JobView> {
  return viewOf(pool, shopParam(request), await jobOf(pool, request));
}

/** A job that was stored just now, or before under the same id, whole. @throws Refusal 409 where it is hidden from who asks. */
export async function storedJob(pool: Pool, request: Request, id: string): Promise<JobView> {
  const shop = shopParam(request);
  const job = await findJob(pool, shop, id, { scope: scopeOfRequest(request) });
  if (!job) throw new Refusal(problem(409, 'id-taken', `Another job has the id ${id}.`));
  return viewOf(pool, shop, job);
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
