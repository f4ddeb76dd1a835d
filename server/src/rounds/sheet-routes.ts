import { Router } from 'express';
import { FigureQuery, figuresOf } from '@tetrad/contracts';
import { permit } from '../people/who';
import type { Pool, Sql } from '../platform/database/pool';
import { queryAs, shopParam, uuidParam } from '../platform/http/body';
import { goneSignal, unlessGone } from '../platform/http/gone';
import { findShop } from '../shops/shops.sql';
import { heavyWork } from '../workers/heavy-work';
import { intervalWords } from './calendar';
import { todayOf } from './due.sql';
import { planOf } from './round-routes';
import { sheetRows } from './sheet.sql';

/** The sheet of a round, to read on a screen or as paper. @param lists Where lists are read from. */
export function sheetRoutes(pool: Pool, lists: Sql, fontsFolder: string): Router {
  const router = Router({ mergeParams: true });

  router.get('/rounds/:plan/sheet', async (request, response) => {
    permit(request, 'see-all-jobs');
    const [shop, id] = [shopParam(request), uuidParam(request, 'plan')];
    response.json(await sheetRows(lists, shop, await planOf(lists, shop, id), todayOf(new Date())));
  });

  router.get('/rounds/:plan/sheet.pdf', async (request, response) => {
    permit(request, 'see-all-jobs');
    const figures = figuresOf(queryAs(FigureQuery, request));
    const [shop, id] = [shopParam(request), uuidParam(request, 'plan')];
    const round = await planOf(lists, shop, id);
    const today = todayOf(new Date());
    const rows = await sheetRows(lists, shop, round, today);
    const gone = goneSignal(response);
    const name = (await findShop(pool, shop))?.name ?? shop;
    const { plan } = round;
    const interval = intervalWords(plan);
    const task = { shop: name, title: plan.group, interval, madeOn: today, rows, fontsFolder, figures };
    const paper = await unlessGone(heavyWork().sheet(task, gone), gone);
    if (!paper) return;
    response.attachment(`round-${plan.group}-${today}.pdf`).type('application/pdf').end(paper);
  });

  return router;
}
