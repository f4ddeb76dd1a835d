import type { OutcomesQuery } from '@tetrad/contracts';
import type { OutcomeJobView, OutcomesView, ShopId } from '@tetrad/contracts';
import { BALANCED_COSTS } from '@tetrad/core';
import type { Costs } from '@tetrad/core';
import { OutcomeSums, complaintAfter } from '@tetrad/core/outcomes';
import { findCriteria } from '../criteria/criteria-of';
import { scopeOfRequest } from '../people/access';
import type { Scope } from '../people/access';
import type { Pool, Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam } from '../platform/http/body';
import { goneSignal, unlessGone } from '../platform/http/gone';
import { misfit } from '../platform/http/problem';
import type { FairQueue } from '../platform/workers/fair-queue';
import { signedJobs } from './outcomes.sql';
import type { SignedJobRow, SignedJobsWanted } from './outcomes.sql';

/** Jobs read at once: others are served between two batches. */
const BATCH = 500;
/** The longest of the two lists that are sent. */
const MAX_LISTED = 100;
const DAY_MS = 86_400_000;
const YEAR_DAYS = 365;
const MAX_DAYS = 10 * 366;
/** Jobs that are counted at most, the newest: of more a shorter period tells more. */
const MAX_COUNTED = 8_000;

/** What became of the jobs of a period. @param lists Where lists are read from. */
export function outcomesRoute(pool: Pool, lists: Sql, turns: FairQueue): Handlers<'getOutcomes'> {
  return {
    getOutcomes: async (request, response, { query }) => {
      const shop = shopParam(request);
      const period = periodOf(query, new Date());
      const gone = goneSignal(response);
      const scope = scopeOfRequest(request);
      const counting = turns.do(shop, () => count({ pool, lists, shop }, period, scope, gone), gone);
      const view = await unlessGone(counting, gone);
      if (view && !gone.aborted) response.json(view);
    },
  };
}

interface Where {
  readonly pool: Pool;
  readonly lists: Sql;
  readonly shop: ShopId;
}

/** Counts the newest jobs of a period, a batch at a time. */
async function count(
  { pool, lists, shop }: Where,
  { from, to, until }: Period,
  scope: Scope,
  gone: AbortSignal,
): Promise<OutcomesView> {
  const costsOf = knownCosts(pool, shop);
  const sums = new OutcomeSums();
  const [wrong, open]: [OutcomeJobView[], OutcomeJobView[]] = [[], []];
  let [wrongCount, counted] = [0, 0];
  let countedFrom = from;
  for await (const row of eachJob(lists, shop, { from, until, scope, limit: BATCH }, gone)) {
    if (counted === MAX_COUNTED) {
      countedFrom = row.signedAt.slice(0, 10);
      break;
    }
    counted += 1;
    const isRight = sums.add(row, await costsOf(row.criteria));
    if (isRight === false && ++wrongCount <= MAX_LISTED) wrong.push(listed(row));
    if (complaintAfter(row) === null && open.length < MAX_LISTED) open.push(listed(row));
  }
  return { from, to, countedFrom, ...sums.sums(), wrongCount, wrong, open };
}

/** The jobs of a period one by one; ends early where nobody waits for them any more. */
async function* eachJob(
  sql: Sql,
  shop: ShopId,
  wanted: Omit<SignedJobsWanted, 'before'>,
  gone: AbortSignal,
): AsyncGenerator<SignedJobRow> {
  let before: SignedJobsWanted['before'] = null;
  do {
    const { jobs, next } = await signedJobs(sql, shop, { ...wanted, before });
    yield* jobs;
    before = next;
  } while (before !== null && !gone.aborted);
}

interface Period {
  readonly from: string;
  readonly to: string;
  readonly until: string;
}

/** First and last day, and the day after the last. @throws Refusal where the last is before the first, or too far from it. */
function periodOf(query: OutcomesQuery, now: Date): Period {
  const to = query.to ?? dayOf(now.getTime());
  const from = query.from ?? dayOf(Date.parse(to) - YEAR_DAYS * DAY_MS);
  const days = (Date.parse(to) - Date.parse(from)) / DAY_MS;
  const allowed = `a date from ${from} to ${dayOf(Date.parse(from) + MAX_DAYS * DAY_MS)}`;
  // a day that no month has is none
  for (const [field, day] of Object.entries({ from, to }))
    if (dayOf(Date.parse(day)) !== day) throw misfit([{ field, found: day, allowed: 'a day of the calendar' }]);
  if (!(days >= 0 && days <= MAX_DAYS)) throw misfit([{ field: 'to', found: to, allowed }]);
  return { from, to, until: dayOf(Date.parse(to) + DAY_MS) };
}
const dayOf = (ms: number): string => (Number.isFinite(ms) ? new Date(ms).toISOString().slice(0, 10) : '');

/** The costs of limit sets, each read once; of a set that is not there any more, those that ship. */
function knownCosts(pool: Pool, shop: ShopId): (criteria: string) => Promise<Costs> {
  const known = new Map<string, Promise<Costs>>();
  return (criteria) => {
    const costs = known.get(criteria) ?? findCriteria(pool, shop, criteria).then((set) => set?.costs ?? BALANCED_COSTS);
    known.set(criteria, costs);
    return costs;
  };
}

function listed(row: SignedJobRow): OutcomeJobView {
  const { job, vehicle, signedAt, signedBy, signed, judged, probability, recorded, note } = row;
  return {
    ...{ job, vehicle, signedAt, signedBy, probability, note },
    signed: { action: signed.action, part: signed.part },
    judged: judged && { action: judged.action, part: judged.part },
    complaint: complaintAfter(row),
    cause: recorded?.cause ?? null,
  };
}
