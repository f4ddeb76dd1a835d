import { Router } from 'express';
import { PageQuery, RoundPlan, VEHICLES_PAGE } from '@tetrad/contracts';
import type { RoundView, ShopId } from '@tetrad/contracts';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { actor, permit } from '../people/who';
import type { Pool, Sql } from '../platform/database/pool';
import { bodyAs, queryAs, shopParam, uuidParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { tellNextPage } from '../platform/http/next-page';
import { notFound } from '../platform/http/problem';
import { namesOf } from '../vehicles/vehicles.sql';
import { calendarOf } from './calendar';
import { dueOf, placeOf, roundVehicles, roundView, todayOf } from './due.sql';
import { endPlan, putPlan } from './plans.sql';

/** Rounds: which vehicles of a group are due, and the same as a calendar. @param lists Where lists are read from. */
export function roundRoutes(pool: Pool, lists: Sql): Router {
  const router = Router({ mergeParams: true });

  router.get('/rounds', async (request, response) => {
    permit(request, 'see-all-jobs');
    const today = todayOf(new Date());
    const rounds = await dueOf(lists, shopParam(request));
    response.json(rounds.map((round) => roundView(round, today)) satisfies RoundView[]);
  });

  router.get('/rounds/:plan/vehicles', async (request, response) => {
    permit(request, 'see-all-jobs');
    const [shop, id] = [shopParam(request), uuidParam(request, 'plan')];
    const { limit = VEHICLES_PAGE, after = '' } = queryAs(PageQuery, request);
    const { vehicles } = await planOf(lists, shop, id);
    const from = vehicles.filter((one) => placeOf(one) > after);
    const page = from.slice(0, limit);
    tellNextPage(request, response, from.length > limit ? placeOf(page.at(-1)!) : null);
    response.json(await roundVehicles(lists, shop, page));
  });

  router.put('/rounds/:plan', async (request, response) => {
    permit(request, 'see-all-jobs');
    const [shop, id] = [shopParam(request), uuidParam(request, 'plan')];
    const plan = bodyAs(RoundPlan, request);
    await runIdempotent(pool, request, async (sql) => {
      await putPlan(sql, shop, id, plan);
      await addAuditEntry(sql, { what: 'round-planned', ...actor(request), about: id, detail: { ...plan } });
    });
    response.json(roundView(await planOf(pool, shop, id), todayOf(new Date())));
  });

  router.delete('/rounds/:plan', async (request, response) => {
    permit(request, 'see-all-jobs');
    const [shop, id] = [shopParam(request), uuidParam(request, 'plan')];
    await runIdempotent(pool, request, async (sql) => {
      if (!(await endPlan(sql, shop, id))) throw notFound('round', id);
      await addAuditEntry(sql, { what: 'round-ended', ...actor(request), about: id });
    });
    response.status(204).end();
  });

  router.get('/rounds.ics', async (request, response) => {
    permit(request, 'see-all-jobs');
    const shop = shopParam(request);
    const rounds = await dueOf(lists, shop);
    const names = await namesOf(
      lists,
      shop,
      rounds.flatMap(({ vehicles }) => vehicles.map(({ vehicle }) => vehicle)),
    );
    const entries = rounds.flatMap(({ plan, vehicles }) =>
      vehicles.flatMap(({ vehicle: id, due }) => {
        const vehicle = names.get(id);
        return vehicle && due ? [{ plan, vehicle, dueOn: due.dueOn }] : [];
      }),
    );
    response.type('text/calendar').attachment('rounds.ics').send(calendarOf(entries));
  });

  return router;
}

/** One plan with its vehicles by urgency. @throws Refusal 404 where there is none of that id. */
export async function planOf(sql: Sql, shop: ShopId, id: string) {
  const [found] = await dueOf(sql, shop, id);
  if (!found) throw notFound('round', id);
  return found;
}
