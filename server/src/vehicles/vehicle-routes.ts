import { Router } from 'express';
import { VEHICLES_PAGE, VehicleQuery } from '@tetrad/contracts';
import { scopeOfRequest } from '../people/access';
import type { Sql } from '../platform/database/pool';
import { queryAs, shopParam, uuidParam } from '../platform/http/body';
import { tellNextPage } from '../platform/http/next-page';
import { listVehicles, listVisits } from './vehicles.sql';

/** The vehicles of a shop and their visits. @param lists Where lists are read from. */
export function vehicleRoutes(lists: Sql): Router {
  const router = Router({ mergeParams: true });

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

  return router;
}
