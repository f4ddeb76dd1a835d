import { Router } from 'express';
import type { Request } from 'express';
import { FLOOR_PAGE, FloorQuery, JobChanges, NewJob } from '@tetrad/contracts';
import type { JobView } from '@tetrad/contracts';
import { addAct } from '../../acts/acts.sql';
import { judgeJob, viewJob, viewOf } from '../../judging/judge-job';
import { actor, permit } from '../../people/who';
import { addJob, changeJob, findJob, listJobs } from '../../sql/jobs';
import { judgementAt, listJudgements } from '../../sql/judgements';
import { inTransaction } from '../../sql/pool';
import type { Pool, Sql } from '../../sql/pool';
import { changeVehicle, listVehicles, listVisits } from '../../sql/vehicles';
import { bodyAs, queryAs, shopParam, uuidParam } from '../body';
import { Refusal, misfit, notFound, problem } from '../problem';
import { tellNextPage } from '../next-page';
import { isRepeat } from '../once';
import { jobOf, seesOnly, withJob } from './with-job';

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
      onlyOf: seesOnly(request),
    });
    tellNextPage(request, response, next);
    response.json(rows);
  });

  router.get('/vehicles', async (request, response) => {
    response.json(await listVehicles(lists, shopParam(request)));
  });

  router.get('/vehicles/:vehicle/visits', async (request, response) => {
    response.json(await listVisits(lists, shopParam(request), uuidParam(request, 'vehicle'), seesOnly(request)));
  });

  router.post('/jobs', async (request, response) => {
    const shop = shopParam(request);
    permit(request, 'work');
    const body = bodyAs(NewJob, request);
    const isNew = await inTransaction(pool, async (sql) => {
      if (await isRepeat(sql, request)) return true; // answered as the first time
      const added = await addJob(sql, shop, body);
      if (!added) return false;
      await judgeJob(sql, shop, (await findJob(sql, shop, body.id))!);
      await addAct(sql, { what: 'job-opened', ...actor(request), about: body.id });
      return true;
    });
    response.status(isNew ? 201 : 200).json(await storedJob(pool, shop, body.id));
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
    await withJob(pool, request, 'job-changed', async (sql, { id, version, vehicle }) => {
      if (!(await changeJob(sql, shop, id, changes))) throw changedMeanwhile(changes.version, version);
      if (changes.vehicle) await changeVehicle(sql, shop, vehicle.id, changes.vehicle);
      await judgeJob(sql, shop, (await findJob(sql, shop, id))!);
      return { changed: Object.keys(changes).filter((name) => name !== 'version') };
    });
    response.json(await wholeJob(pool, request));
  });

  return router;
}

/** The job of the address, whole. */
export async function wholeJob(pool: Pool, request: Request): Promise<JobView> {
  return viewOf(pool, shopParam(request), await jobOf(pool, request));
}

/** A job that was stored just now, whole. */
export async function storedJob(pool: Pool, shop: string, id: string): Promise<JobView> {
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
