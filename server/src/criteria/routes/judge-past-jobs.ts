import { once } from 'node:events';
import type { RejudgeProgress, ShopId } from '@tetrad/contracts';
import { schoolById } from '@tetrad/core';
import type { CriteriaSet } from '@tetrad/core';
import type { Sql } from '../../platform/database/pool';
import { shopParam } from '../../platform/http/body';
import { goneSignal, unlessGone } from '../../platform/http/gone';
import { notFound } from '../../platform/http/problem';
import { FairQueue } from '../../platform/workers/fair-queue';
import { doInThread } from '../../platform/workers/heavy-work';
import { findVersion } from '../criteria.sql';
import { countPastJobs, pastJobs } from '../past-jobs.sql';
import { versionParam } from '../set-version';
import type { CriteriaRoute } from './criteria-route';
import { REJUDGE } from '../rejudge';
import type { Rejudged } from '../rejudge';

/** Jobs that are judged in one go. */
const BATCH = 200;
/** Goes that are under way at once: one is judged while the next is read. */
const AHEAD = 2;
/** Verdicts that are told whole in one run. */
const MAX_TOLD = 1000;
/** Runs at once: one of a shop. */
const RUNS = { atOnce: 3, atOnceOfOne: 1, maxWaiting: 20, maxWaitingOfOne: 4 };

/** Past jobs judged again, told line by line (NDJSON); closing the request ends it. */
export const judgePastJobs: CriteriaRoute<'rejudge'> = (pool, lists) => {
  const runs = new FairQueue(RUNS);
  return async (request, response) => {
    const [shop, { id, version }] = [shopParam(request), versionParam(request)];
    const document = schoolById(id) ?? (await findVersion(pool, shop, id, version));
    if (!document || document.version !== version) throw notFound('version of this set', `${id} ${version}`);
    const gone = goneSignal(response);
    const telling = runs.do(shop, async () => {
      response.type('application/x-ndjson');
      response.setHeader('X-Accel-Buffering', 'no');
      for await (const line of rejudged(lists, shop, document, gone)) {
        if (gone.aborted) return;
        if (!response.write(`${JSON.stringify(line)}\n`)) await once(response, 'drain', { signal: gone });
      }
      response.end();
    });
    await unlessGone(telling, gone);
  };
};

type Rejudging = Promise<Rejudged>;

/** Reads and judges side by side: while one go is judged the next is read. */
async function* rejudged(
  sql: Sql,
  shop: ShopId,
  criteria: CriteriaSet,
  signal: AbortSignal,
): AsyncGenerator<RejudgeProgress> {
  const total = await countPastJobs(sql, shop);
  let [done, changed, told] = [0, 0, 0];
  const ahead: { readonly count: number; readonly made: Rejudging }[] = [];
  let place: Parameters<typeof pastJobs>[2] = null;
  let isLast = false;
  while (!signal.aborted && (!isLast || ahead.length > 0)) {
    while (!isLast && ahead.length < AHEAD) {
      const batch: Awaited<ReturnType<typeof pastJobs>> = await pastJobs(sql, shop, place, BATCH);
      place = batch.next;
      isLast = place === null;
      const made = doInThread(REJUDGE, { text: batch.text, criteria, maxTold: MAX_TOLD }, signal);
      made.catch(() => undefined); // heard of below
      ahead.push({ count: batch.count, made });
    }
    const { count, made } = ahead.shift()!;
    const { changed: more, verdicts } = await made;
    done += count;
    changed += more;
    const shown = verdicts.slice(0, MAX_TOLD - told);
    told += shown.length;
    yield { done, total, changed, verdicts: shown, isEnd: isLast && ahead.length === 0 };
  }
}
