import type { CondemnedShare, ShopId } from '@tetrad/contracts';
import type { CriteriaDocument } from '@tetrad/core';
import type { Sql } from '../platform/database/pool';
import { doInThread } from '../platform/workers/heavy-work';
import { pastJobs } from './past-jobs.sql';
import { REJUDGE } from './rejudge';

/** Of so many of the newest jobs it is seen what a set condemns, before it is saved. */
const SAMPLE = 200;

/** What a set condemns of the newest jobs; null where there are none. */
export async function condemned(sql: Sql, shop: ShopId, document: CriteriaDocument): Promise<CondemnedShare | null> {
  const { text, count } = await pastJobs(sql, shop, null, SAMPLE);
  if (count === 0) return null;
  const task = { text, criteria: document, maxTold: 0 };
  const { outsideNow, outsideThen } = await doInThread(REJUDGE, task);
  return { jobs: count, now: outsideNow, then: outsideThen };
}
