import { FLOOR_PAGE } from '@tetrad/contracts';
import { scopeOfRequest } from '../people/access';
import type { Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam } from '../platform/http/body';
import type { LeftOutRows } from '../platform/left-out-rows';
import { tellNextPage } from '../platform/http/next-page';
import { listJobs } from '../job-store/floor.sql';
import { floorRow } from '../job-store/floor-view';

/** The floor: the jobs of a shop, page by page. @param lists Where lists are read from. */
export function floorRoutes(lists: Sql, leftOut: LeftOutRows): Handlers<'listJobs'> {
  return {
    listJobs: async (request, response, { query }) => {
      const { status = 'open', sort = 'changed', limit = FLOOR_PAGE, ...more } = query;
      const { rows, next } = await listJobs(lists, shopParam(request), {
        status,
        sort,
        limit: more.ids?.length ?? limit,
        ...more,
        scope: scopeOfRequest(request),
      });
      tellNextPage(request, response, next);
      response.json(leftOut.show(rows, { list: 'jobs', idOf: ({ id }) => id, view: floorRow }));
    },
  };
}
