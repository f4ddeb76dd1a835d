import { Router } from 'express';
import { FigureQuery, figuresOf } from '@tetrad/contracts';
import { addAct } from '../../acts/acts.sql';
import { allCapturesOfJob, captureView } from '../../captures/captures.sql';
import { heavyWork } from '../../heavy/heavy-work';
import { actor } from '../../people/who';
import type { Pool } from '../../sql/pool';
import { findShop } from '../../sql/shops';
import { queryAs, shopParam } from '../body';
import { wholeJob } from './jobs';

/** The report of a job as a file to keep, print or send. */
export function reportRoutes(pool: Pool, fontsFolder: string): Router {
  const router = Router({ mergeParams: true });

  router.get('/report.pdf', async (request, response) => {
    const shop = shopParam(request);
    const figures = figuresOf(queryAs(FigureQuery, request));
    const job = await wholeJob(pool, request);
    const captures = (await allCapturesOfJob(pool, shop, job.id)).map(captureView);
    await addAct(pool, { what: 'report-exported', ...actor(request), about: job.id });
    const name = (await findShop(pool, shop))?.name ?? shop;
    const gone = new AbortController();
    response.on('close', () => gone.abort());
    const task = { job, options: { shop: name, fontsFolder, figures, captures } };
    const paper = await heavyWork()
      .pdf(task, gone.signal)
      .catch((error: unknown) => {
        if (gone.signal.aborted) return null; // who asked has gone, and with them the task
        throw error;
      });
    if (!paper) return;
    response.attachment(`${job.vehicle.plate ?? job.vehicle.name}-${job.openedAt.slice(0, 10)}.pdf`);
    response.type('application/pdf');
    response.end(paper);
  });

  return router;
}
