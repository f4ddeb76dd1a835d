import { VEHICLES_PAGE } from '@tetrad/contracts';
import type { VehicleKindView } from '@tetrad/contracts';
import { kindBands } from '@tetrad/core/trends';
import { capturesOfVehicle } from '../captures/captures.sql';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { scopeOfRequest } from '../people/access';
import { actor } from '../people/who';
import type { Pool, Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import type { LeftOutRows } from '../platform/left-out-rows';
import { shopParam, uuidParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { tellNextPage } from '../platform/http/next-page';
import { Refusal, misfit, notFound, problem } from '../platform/http/problem';
import { historyVisit, listHistory, measuresOfRow } from './history.sql';
import { listOfKind } from './kind.sql';
import { holdBoth, moveJobs, movedBy, undoMove } from './moves.sql';
import { refuseTaken } from '../vehicles/taken';
import { changeVehicle, findVehicle, listVehicles, listVisits } from '../vehicles/vehicles.sql';

/** The vehicles of a shop and their visits. @param lists Where lists are read from. */
export function vehicleRoutes(
  pool: Pool,
  lists: Sql,
  leftOut: LeftOutRows,
): Handlers<
  | 'listVehicles'
  | 'getVehicle'
  | 'changeVehicle'
  | 'listVisits'
  | 'getHistory'
  | 'getKind'
  | 'listVehicleCaptures'
  | 'moveJobs'
  | 'undoMove'
> {
  return {
    listVehicles: async (request, response, { query }) => {
      const { limit = VEHICLES_PAGE, ...more } = query;
      const scope = scopeOfRequest(request);
      const { rows, next } = await listVehicles(lists, shopParam(request), { limit, ...more, scope });
      tellNextPage(request, response, next);
      response.json(rows);
    },

    getVehicle: async (request, response) => {
      const id = uuidParam(request, 'vehicle');
      const found = await findVehicle(pool, shopParam(request), id, scopeOfRequest(request));
      if (!found) throw notFound('vehicle', id);
      response.json(found);
    },

    changeVehicle: async (request, response, { body }) => {
      const [shop, id, scope] = [shopParam(request), uuidParam(request, 'vehicle'), scopeOfRequest(request)];
      const changes = body;
      if (!(await findVehicle(pool, shop, id, scope))) throw notFound('vehicle', id);
      await runIdempotent(pool, request, async (sql) => {
        if (!(await refuseTaken(() => changeVehicle(sql, shop, id, changes, scope), { ...changes })))
          throw new Refusal(
            problem(403, 'not-allowed', 'This vehicle has jobs of others: only those who may see them may change it.'),
          );
        const detail = { changed: Object.keys(changes) };
        await addAuditEntry(sql, { what: 'vehicle-changed', ...actor(request), about: id, detail });
      });
      response.json((await findVehicle(pool, shop, id, scope))!);
    },

    listVisits: async (request, response) => {
      response.json(
        await listVisits(lists, shopParam(request), uuidParam(request, 'vehicle'), scopeOfRequest(request)),
      );
    },

    getHistory: async (request, response) => {
      const [shop, id, scope] = [shopParam(request), uuidParam(request, 'vehicle'), scopeOfRequest(request)];
      const rows = await listHistory(lists, shop, id, scope);
      response.json(leftOut.show(rows, { list: 'history', idOf: ({ job }) => job, view: historyVisit }));
    },

    /** What other vehicles of its kind show, to hold it against. */
    getKind: async (request, response) => {
      const [shop, id, scope] = [shopParam(request), uuidParam(request, 'vehicle'), scopeOfRequest(request)];
      const rows = await listOfKind(lists, shop, id, scope);
      const told = leftOut.show(rows, { list: 'kind', idOf: ({ job }) => job, view: measuresOfRow });
      const newest = told.map(({ before, after }) => after ?? before);
      response.json({ bands: kindBands(newest) } satisfies VehicleKindView);
    },

    listVehicleCaptures: async (request, response) => {
      const [shop, id, scope] = [shopParam(request), uuidParam(request, 'vehicle'), scopeOfRequest(request)];
      response.json(await capturesOfVehicle(lists, shop, id, scope));
    },

    moveJobs: async (request, response, { body }) => {
      const [shop, from] = [shopParam(request), uuidParam(request, 'vehicle')];
      if (body.to === from) throw misfit([{ field: 'to', found: body.to, allowed: 'another vehicle' }]);
      if (!(await findVehicle(pool, shop, from, null))) throw notFound('vehicle', from);
      if (!(await findVehicle(pool, shop, body.to, null)))
        throw misfit([{ field: 'to', found: body.to, allowed: 'a vehicle of this shop' }]);
      await runIdempotent(pool, request, async (sql) => {
        const both = await holdBoth(sql, shop, from, body.to);
        if (!both)
          throw misfit([{ field: 'to', found: body.to, allowed: 'another vehicle: these two are one record already' }]);
        const moved = await moveJobs(sql, shop, both, body);
        const what = body.jobs === undefined ? 'vehicles-merged' : 'jobs-moved';
        await addAuditEntry(sql, { what, ...actor(request), about: both.from, detail: { to: both.to, jobs: moved } });
      });
      response.json({ id: body.id, moved: await movedBy(pool, shop, body.id) });
    },

    undoMove: async (request, response) => {
      const [shop, id] = [shopParam(request), uuidParam(request, 'move')];
      await runIdempotent(pool, request, async (sql) => {
        const back = await refuseTaken(() => undoMove(sql, shop, id));
        if (back === null) throw notFound('move that can be undone', id);
        await addAuditEntry(sql, { what: 'move-undone', ...actor(request), about: id, detail: { jobs: back } });
      });
      response.json({ id, moved: await movedBy(pool, shop, id) });
    },
  };
}
