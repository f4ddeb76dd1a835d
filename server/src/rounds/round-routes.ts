import { VEHICLES_PAGE } from '@tetrad/contracts';
import type { RoundView } from '@tetrad/contracts';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { actor } from '../people/who';
import type { Pool, Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam, uuidParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { tellNextPage } from '../platform/http/next-page';
import { notFound } from '../platform/http/problem';
import { goneSignal, unlessGone } from '../platform/http/gone';
import type { FairQueue } from '../platform/workers/fair-queue';
import { doInThread } from '../platform/workers/heavy-work';
import { calendarDays } from './calendar.sql';
import { duePage, listRounds, roundVehicles, todayOf } from './due.sql';
import { endPlan, planOf, putPlan } from './plans.sql';
import { CALENDAR } from './calendar';

/** Rounds: which vehicles of a group are due, and the same as a calendar. @param lists Where lists are read from. */
export function roundRoutes(
  pool: Pool,
  lists: Sql,
  turns: FairQueue,
): Handlers<'listRounds' | 'listRoundVehicles' | 'planRound' | 'endRound' | 'getRoundCalendar'> {
  return {
    listRounds: async (request, response) => {
      const shop = shopParam(request);
      const rounds = await turns.do(shop, () => listRounds(lists, shop, todayOf(new Date())));
      response.json(rounds satisfies readonly RoundView[]);
    },

    listRoundVehicles: async (request, response, { query }) => {
      const [shop, id] = [shopParam(request), uuidParam(request, 'plan')];
      const { limit = VEHICLES_PAGE, after = '' } = query;
      const plan = await planOf(lists, shop, id);
      const { vehicles, next } = await turns.do(shop, () => duePage(lists, shop, plan, { limit, after }));
      tellNextPage(request, response, next);
      response.json(await roundVehicles(lists, shop, vehicles));
    },

    planRound: async (request, response, { body }) => {
      const [shop, id] = [shopParam(request), uuidParam(request, 'plan')];
      const plan = body;
      await runIdempotent(pool, request, async (sql) => {
        await putPlan(sql, shop, id, plan);
        await addAuditEntry(sql, { what: 'round-planned', ...actor(request), about: id, detail: { ...plan } });
      });
      const [told] = await turns.do(shop, () => listRounds(pool, shop, todayOf(new Date()), id));
      response.json(told);
    },

    endRound: async (request, response) => {
      const [shop, id] = [shopParam(request), uuidParam(request, 'plan')];
      await runIdempotent(pool, request, async (sql) => {
        if (!(await endPlan(sql, shop, id))) throw notFound('round', id);
        await addAuditEntry(sql, { what: 'round-ended', ...actor(request), about: id });
      });
      response.end();
    },

    getRoundCalendar: async (request, response) => {
      const shop = shopParam(request);
      const gone = goneSignal(response);
      const read = turns.do(shop, () => calendarDays(lists, shop, new Date(), gone), gone);
      const days = await unlessGone(read, gone);
      const calendar = days && (await unlessGone(doInThread(CALENDAR, { days }, gone), gone));
      if (calendar !== null) response.type('text/calendar').attachment('rounds.ics').send(calendar);
    },
  };
}
