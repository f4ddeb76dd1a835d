import type { NewSignOff, ShopId } from '@tetrad/contracts';
import { decisionWords, isSameDecision } from '@tetrad/core';
import type { Decision } from '@tetrad/core';
import type { JobRow } from '../job-store/jobs.sql';
import type { Sql } from '../platform/database/pool';
import { tellWebhooks } from './webhooks.sql';

const told = ({ id, vehicle, openedAt }: JobRow) => ({ job: id, vehicle, openedAt: openedAt.toISOString() });

/** Tells that the judge has come to another decision than before; nothing while a test is still wanted. */
export async function tellDecided(
  sql: Sql,
  shop: ShopId,
  job: JobRow,
  before: Decision | null,
  now: Decision,
): Promise<void> {
  if (now.action === 'test-next' || isSameDecision(before, now)) return;
  const { action, part, fault, because } = now;
  const decision = { action, part, fault, because, words: decisionWords(now) };
  await tellWebhooks(sql, shop, { event: 'job.decided', data: { ...told(job), decision } });
}

/** Tells that somebody signed a job off. */
export async function tellSignedOff(
  sql: Sql,
  shop: ShopId,
  job: JobRow,
  { action, part, conclusion, partsFitted, solved }: NewSignOff,
  by: string,
): Promise<void> {
  const signOff = { action, part: part ?? null, conclusion, partsFitted, solved: solved ?? null, by };
  await tellWebhooks(sql, shop, { event: 'job.signed-off', data: { ...told(job), signOff } });
}
