import { Router } from 'express';
import { createEvents } from 'ics';
import type { DateArray } from 'ics';
import { RoundPlan } from '@tetrad/contracts';
import type { RoundView } from '@tetrad/contracts';
import { permit } from '../people/who';
import type { Pool, Sql } from '../platform/database/pool';
import { bodyAs, shopParam, uuidParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { notFound } from '../platform/http/problem';
import { endPlan, listRounds, putPlan } from './rounds.sql';

/** Rounds: which vehicles of a group are due, and the same as a calendar. @param lists Where lists are read from. */
export function roundRoutes(pool: Pool, lists: Sql): Router {
  const router = Router({ mergeParams: true });

  router.get('/rounds', async (request, response) => {
    permit(request, 'see-all-jobs');
    response.json(await listRounds(lists, shopParam(request)));
  });

  router.put('/rounds/:plan', async (request, response) => {
    permit(request, 'see-all-jobs');
    const [shop, id] = [shopParam(request), uuidParam(request, 'plan')];
    const plan = bodyAs(RoundPlan, request);
    await runIdempotent(pool, request, (sql) => putPlan(sql, shop, id, plan));
    response.json((await listRounds(pool, shop)).find((one) => one.id === id));
  });

  router.delete('/rounds/:plan', async (request, response) => {
    permit(request, 'see-all-jobs');
    const [shop, id] = [shopParam(request), uuidParam(request, 'plan')];
    await runIdempotent(pool, request, async (sql) => {
      if (!(await endPlan(sql, shop, id))) throw notFound('round', id);
    });
    response.status(204).end();
  });

  router.get('/rounds.ics', async (request, response) => {
    permit(request, 'see-all-jobs');
    const calendar = calendarOf(await listRounds(lists, shopParam(request)));
    response.type('text/calendar').attachment('rounds.ics').send(calendar);
  });

  return router;
}

/** One entry a vehicle, on the day on which it is due. @throws Error that the calendar could not be written. */
function calendarOf(rounds: readonly RoundView[]): string {
  const events = rounds.flatMap(({ id, group, assignee, everyDays, vehicles }) =>
    vehicles.map(({ vehicle, dueOn }) => ({
      uid: `${id}.${vehicle.id}`,
      title: `Battery check: ${vehicle.name}${vehicle.plate ? ` (${vehicle.plate})` : ''}`,
      description: [`${group}, every ${everyDays} days`, assignee ?? ''].filter(Boolean).join('. '),
      start: dueOn.split('-').map(Number) as DateArray,
      duration: { days: 1 },
    })),
  );
  const { error, value } = createEvents(events, { productId: 'tetrad/rounds', calName: 'Battery checks' });
  if (error || !value) throw error ?? new Error('the calendar could not be written');
  return value;
}
