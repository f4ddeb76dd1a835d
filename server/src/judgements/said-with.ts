/** How probable the judge called what it decided. */
import type { JobId, ShopId } from '@tetrad/contracts';
import type { Judgement } from '@tetrad/core';
import { judgementAt, listJudgements } from './judgements.sql';
import type { Sql } from '../platform/database/pool';

/** So many earlier judgements are looked through for the one that called a repair. */
const MAX_LOOKED_AT = 20;

/**
 * The probability of what a judgement decides: of the fault that it names, or of a sound vehicle. Once a repair is done the
 * fault is gone, so that of a repair it is what was said when it was called. Null where nothing was decided.
 */
export async function saidWith(sql: Sql, shop: ShopId, job: JobId, now: Judgement): Promise<number | null> {
  if (now.decision.action !== 'repaired') return probabilityOf(now);
  const earlier = await listJudgements(sql, shop, job);
  for (const { seq } of earlier.slice(1, 1 + MAX_LOOKED_AT)) {
    const said = await judgementAt(sql, shop, job, seq);
    const { action, part } = said?.document.decision ?? {};
    if (said && (action === 'replace' || action === 'repair') && part === now.decision.part)
      return probabilityOf(said.document);
  }
  return null;
}

function probabilityOf({ decision: { action, fault }, faults }: Judgement): number | null {
  if (action === 'test-next' || action === 'stop') return null;
  const named = action === 'none-found' ? 'none' : fault;
  return faults.find((one) => one.fault === named)?.probability ?? null;
}
