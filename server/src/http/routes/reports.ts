import { pipeline } from 'node:stream/promises';
import { Router } from 'express';
import { FigureQuery, figuresOf } from '@tetrad/contracts';
import { addAct } from '../../acts/acts.sql';
import { captureView, capturesOfJob } from '../../captures/captures.sql';
import { pdfReport } from '../../reports/pdf-report';
import { actor } from '../../people/who';
import { inTransaction } from '../../sql/pool';
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
    const captures = (await capturesOfJob(pool, shop, job.id)).map(captureView);
    await inTransaction(pool, (sql) => addAct(sql, { what: 'report-exported', ...actor(request), about: job.id }));
    const name = (await findShop(pool, shop))?.name ?? shop;
    response.attachment(`${job.vehicle.plate ?? job.vehicle.name}-${job.openedAt.slice(0, 10)}.pdf`);
    response.type('application/pdf');
    await pipeline(pdfReport(job, { shop: name, fontsFolder, figures, captures }), response);
  });

  return router;
}
