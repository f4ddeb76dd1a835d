import type { Request, Response } from 'express';
import { figuresOf } from '@tetrad/contracts';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { allCapturesOfJob, captureView } from '../captures/captures.sql';
import { FairQueue } from '../platform/workers/fair-queue';
import { doInThread } from '../platform/workers/heavy-work';
import { actor } from '../people/who';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { findShop } from '../shops/shops.sql';
import { jobParam, shopParam } from '../platform/http/body';
import { goneSignal, unlessGone } from '../platform/http/gone';
import { wholeJob } from '../jobs/job-view';
import { jobOf } from '../jobs/locked-job';
import { PDF } from './pdf-task';

/** Reports that are made, or on their way to a device, at once; and those that wait, holding nothing. */
const AT_ONCE = 3;
const MAX_WAITING = 60;
/** A device that does not take its report by then lets the next one go ahead, ms. */
const TAKEN_MS = 10_000;

/** The report of a job as a file to keep, print or send. */
export function reportRoutes(pool: Pool, fontsFolder: string): Handlers<'getReport'> {
  const reports = new FairQueue({ atOnce: AT_ONCE, maxWaiting: MAX_WAITING });

  async function send(request: Request, response: Response, figures: ReturnType<typeof figuresOf>, gone: AbortSignal) {
    const shop = shopParam(request);
    const job = await wholeJob(pool, request);
    const captures = (await allCapturesOfJob(pool, shop, jobParam(request))).map(captureView);
    await addAuditEntry(pool, { what: 'report-exported', ...actor(request), about: job.id });
    const name = (await findShop(pool, shop))?.name ?? shop;
    const task = { job, options: { shop: name, fontsFolder, figures, captures } };
    const paper = await unlessGone(doInThread(PDF, task, gone), gone);
    if (!paper) return;
    response.attachment(`${job.vehicle.plate ?? job.vehicle.name}-${job.openedAt.slice(0, 10)}.pdf`);
    response.type('application/pdf');
    response.end(paper);
  }

  return {
    getReport: async (request, response, { query }) => {
      const figures = figuresOf(query);
      await jobOf(pool, request);
      const gone = goneSignal(response);
      await reports.do(shopParam(request), async () => {
        if (gone.aborted) return;
        await send(request, response, figures, gone);
        await taken(response);
      });
    },
  };
}

/** When the answer has left, or its device has had time enough. */
async function taken(response: Response): Promise<void> {
  if (response.writableFinished || response.destroyed) return;
  await new Promise<void>((resolve) => {
    const late = setTimeout(resolve, TAKEN_MS);
    response.once('close', () => {
      clearTimeout(late);
      resolve();
    });
  });
}
