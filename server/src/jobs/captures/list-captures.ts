import { jobOf } from '../locked-job';
import { scopeOfRequest } from '../../people/access';
import type { LeftOutRows } from '../../platform/left-out-rows';
import { shopParam } from '../../platform/http/body';
import { tellNextPage } from '../../platform/http/next-page';
import { alikeView, captureView, capturesAlike, capturesOfJob } from '../../captures/captures.sql';
import type { CaptureRoute } from './capture-route';

/** Captures of one page, where nobody asks for another number. */
const PAGE = 50;

/** The captures of a job, page by page. */
export const listCaptures =
  (leftOut: LeftOutRows): CaptureRoute<'listCaptures'> =>
  (pool) =>
  async (request, response, { query }) => {
    const { limit = PAGE, after } = query;
    const { id } = await jobOf(pool, request);
    const { rows, next } = await capturesOfJob(pool, shopParam(request), id, { limit, after });
    tellNextPage(request, response, next);
    response.json(leftOut.show(rows, { list: 'captures', idOf: ({ id }) => id, view: captureView }));
  };

/** Captures of like vehicles, to compare with. */
export const listAlike =
  (leftOut: LeftOutRows): CaptureRoute<'listAlikeCaptures'> =>
  (pool) =>
  async (request, response) => {
    const { id } = await jobOf(pool, request);
    const rows = await capturesAlike(pool, shopParam(request), id, scopeOfRequest(request));
    response.json(leftOut.show(rows, { list: 'captures', idOf: ({ id }) => id, view: alikeView }));
  };
