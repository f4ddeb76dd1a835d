import { PAGE_MOST, figuresOf } from '@tetrad/contracts';
import type { Pool, Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam, uuidParam } from '../platform/http/body';
import { goneSignal, unlessGone } from '../platform/http/gone';
import { tellNextPage } from '../platform/http/next-page';
import type { FairQueue } from '../platform/workers/fair-queue';
import { findShop } from '../shops/shops.sql';
import { doInThread } from '../platform/workers/heavy-work';
import { intervalWords } from './interval-words';
import { todayOf } from './due.sql';
import { planOf } from './plans.sql';
import { sheetOrder, sheetRows } from './sheet.sql';
import { SHEET } from './draw-sheet';

/** Vehicles that stand on paper: the most urgent. */
const MAX_ON_PAPER = 100;

/** The sheet of a round, to read on a screen or as paper. @param lists Where lists are read from. */
export function sheetRoutes(
  pool: Pool,
  lists: Sql,
  fontsFolder: string,
  turns: FairQueue,
): Handlers<'getRoundSheet' | 'printRoundSheet'> {
  return {
    getRoundSheet: async (request, response, { query }) => {
      const [shop, id] = [shopParam(request), uuidParam(request, 'plan')];
      const { limit = PAGE_MOST, after = '0.' } = query;
      const from = Number(after.split('.', 1)[0]);
      const gone = goneSignal(response);
      const found = turns.do(
        shop,
        async () => {
          const { vehicles } = await sheetOrder(lists, shop, await planOf(lists, shop, id), todayOf(new Date()), gone);
          const page = vehicles.slice(from, from + limit);
          const isLast = from + limit >= vehicles.length;
          return { rows: await sheetRows(lists, shop, page), next: isLast ? null : page.at(-1)!.vehicle };
        },
        gone,
      );
      const sheet = await unlessGone(found, gone);
      if (!sheet) return;
      // urgency and name follow from many rows: a page is told by how many stand before it
      tellNextPage(request, response, sheet.next && `${from + limit}.${sheet.next}`);
      response.json(sheet.rows);
    },

    printRoundSheet: async (request, response, { query }) => {
      const figures = figuresOf(query);
      const [shop, id] = [shopParam(request), uuidParam(request, 'plan')];
      const gone = goneSignal(response);
      const today = todayOf(new Date());
      const plan = await planOf(lists, shop, id);
      const read = turns.do(
        shop,
        async () => {
          const { vehicles, counts } = await sheetOrder(lists, shop, plan, today, gone);
          return { rows: await sheetRows(lists, shop, vehicles.slice(0, MAX_ON_PAPER)), counts };
        },
        gone,
      );
      const sheet = await unlessGone(read, gone);
      if (!sheet) return;
      const name = (await findShop(pool, shop))?.name ?? shop;
      const interval = intervalWords(plan);
      const task = { shop: name, title: plan.group, interval, madeOn: today, ...sheet, fontsFolder, figures };
      const paper = await unlessGone(doInThread(SHEET, task, gone), gone);
      if (!paper) return;
      response.attachment(`round-${plan.group}-${today}.pdf`).type('application/pdf').end(paper);
    },
  };
}
