import { once } from 'node:events';
import { Router } from 'express';
import type { Request } from 'express';
import { CheckCriteria, NewCriteria, UsualCriteria } from '@tetrad/contracts';
import type {
  CheckedCriteriaView,
  CondemnedShare,
  CriteriaListView,
  CriteriaView,
  RejudgeProgress,
  ShopId,
} from '@tetrad/contracts';
import { CRITERIA_FORMAT, SCHOOLS, checkCriteria, schoolById } from '@tetrad/core';
import type { CriteriaDocument } from '@tetrad/core';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { actor, permit } from '../people/who';
import type { Pool, Sql } from '../platform/database/pool';
import { bodyAs, shopParam } from '../platform/http/body';
import { goneSignal, unlessGone } from '../platform/http/gone';
import { runIdempotent } from '../platform/http/idempotency';
import { Refusal, misfit, notFound, problem } from '../platform/http/problem';
import { BoundedWork } from '../platform/workers/bounded-work';
import { heavyWork } from '../workers/heavy-work';
import {
  addVersion,
  chooseUsual,
  findVersion,
  listOwnSets,
  newestVersion,
  putInForce,
  usualCriteria,
} from './criteria.sql';
import { criteriaOf } from './criteria-of';
import { countPastJobs, pastJobs } from './past-jobs.sql';

/** Jobs that are judged in one go. */
const BATCH = 200;
/** Goes that are under way at once: one is judged while the next is read. */
const AHEAD = 2;
/** Verdicts that are told whole in one run. */
const MAX_TOLD = 1000;
/** Of so many of the newest jobs it is seen what a set condemns, before it is saved. */
const SAMPLE = 200;
/** From this share on a set condemns nearly everything: it is saved only where that is meant. */
const NEARLY_ALL = 0.9;
const RUNS_AT_ONCE = 1;
const MAX_WAITING = 4;

const SHIPPED: readonly CriteriaView[] = SCHOOLS.map((set) => ({
  document: { format: CRITERIA_FORMAT, ...set },
  isShipped: true,
  isInForce: true,
  madeBy: null,
  madeAt: null,
  inForceBy: null,
  inForceAt: null,
  reason: null,
}));

/** The criteria sets of a shop: those that ship, and its own, version by version. @param lists Where jobs are read from. */
export function criteriaRoutes(pool: Pool, lists: Sql): Router {
  const router = Router({ mergeParams: true });
  const runs = new BoundedWork(RUNS_AT_ONCE, MAX_WAITING);

  router.get('/criteria', async (request, response) => {
    const shop = shopParam(request);
    const [own, usual] = await Promise.all([listOwnSets(pool, shop), usualCriteria(pool, shop)]);
    response.json({ usual, sets: [...SHIPPED, ...own] } satisfies CriteriaListView);
  });

  router.post('/criteria/check', async (request, response) => {
    permit(request, 'edit-criteria');
    const { document } = bodyAs(CheckCriteria, request);
    const faults = checkCriteria(document);
    const condemns = faults.length > 0 ? null : await condemned(lists, shopParam(request), document);
    response.json({ faults, condemns } satisfies CheckedCriteriaView);
  });

  router.post('/criteria', async (request, response) => {
    const { name: by } = permit(request, 'edit-criteria');
    const shop = shopParam(request);
    const body = bodyAs(NewCriteria, request);
    const { document, follows } = body;
    refuseShipped(document.id, 'document.id');
    const faults = checkCriteria(document);
    if (faults.length > 0) throw misfit(faults.map(({ field, ...rest }) => ({ field: `document.${field}`, ...rest })));
    const share = await condemned(lists, shop, document);
    if (share && share.then / share.jobs >= NEARLY_ALL && share.then > share.now && body.isMeant !== true)
      throw misfit([
        {
          field: 'isMeant',
          found: `a set by which ${share.then} of the newest ${share.jobs} jobs have a reading outside its limit, ${share.now} by now`,
          allowed: 'true where that is meant',
        },
      ]);
    await runIdempotent(pool, request, async (sql) => {
      const newest = await newestVersion(sql, shop, document.id);
      if (newest !== follows || document.version !== newest + 1 || !(await addVersion(sql, shop, body, by)))
        throw new Refusal(
          problem(
            409,
            'changed-meanwhile',
            `The set ${document.id} is at version ${newest}; this one follows ${follows}.`,
            [
              { field: 'follows', found: String(follows), allowed: String(newest) },
              { field: 'document.version', found: String(document.version), allowed: String(newest + 1) },
            ],
          ),
        );
      const detail = { version: document.version, reason: body.reason ?? null };
      await addAuditEntry(sql, { what: 'criteria-saved', ...actor(request), about: document.id, detail });
    });
    response.status(201).json(await viewOf(pool, shop, document.id, document.version));
  });

  router.put('/criteria/usual', async (request, response) => {
    permit(request, 'edit-criteria');
    const shop = shopParam(request);
    const { id } = bodyAs(UsualCriteria, request);
    await criteriaOf(pool, shop, id, 'id');
    await runIdempotent(pool, request, async (sql) => {
      await chooseUsual(sql, shop, id);
      await addAuditEntry(sql, { what: 'criteria-chosen', ...actor(request), about: id });
    });
    response.status(204).end();
  });

  router.post('/criteria/:set/versions/:version/in-force', async (request, response) => {
    const { name: by } = permit(request, 'edit-criteria');
    const [shop, { id, version }] = [shopParam(request), versionParam(request)];
    refuseShipped(id, 'set');
    await runIdempotent(pool, request, async (sql) => {
      if (!(await putInForce(sql, shop, id, version, by))) throw notFound('version of this set', `${id} ${version}`);
      await addAuditEntry(sql, { what: 'criteria-in-force', ...actor(request), about: id, detail: { version } });
    });
    response.json(await viewOf(pool, shop, id, version));
  });

  /** Past jobs judged again, told line by line (NDJSON); closing the request ends it. */
  router.post('/criteria/:set/versions/:version/rejudge', async (request, response) => {
    permit(request, 'edit-criteria');
    const [shop, { id, version }] = [shopParam(request), versionParam(request)];
    const document = schoolById(id) ?? (await findVersion(pool, shop, id, version));
    if (!document || document.version !== version) throw notFound('version of this set', `${id} ${version}`);
    const gone = goneSignal(response);
    const telling = runs.do(async () => {
      response.type('application/x-ndjson');
      response.setHeader('X-Accel-Buffering', 'no');
      for await (const line of rejudged(lists, shop, document, gone)) {
        if (gone.aborted) return;
        if (!response.write(`${JSON.stringify(line)}\n`)) await once(response, 'drain', { signal: gone });
      }
      response.end();
    });
    await unlessGone(telling, gone);
  });

  return router;
}

type Rejudging = ReturnType<ReturnType<typeof heavyWork>['rejudge']>;

/** Reads and judges side by side: while one go is judged the next is read. */
async function* rejudged(
  sql: Sql,
  shop: ShopId,
  criteria: Parameters<typeof checkCriteria>[0],
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
      const made = heavyWork().rejudge({ text: batch.text, criteria, maxTold: MAX_TOLD }, signal);
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

/** What a set condemns of the newest jobs; null where there are none. */
async function condemned(sql: Sql, shop: ShopId, document: CriteriaDocument): Promise<CondemnedShare | null> {
  const { text, count } = await pastJobs(sql, shop, null, SAMPLE);
  if (count === 0) return null;
  const task = { text, criteria: document, maxTold: 0 };
  const { outsideNow, outsideThen } = await heavyWork().rejudge(task, new AbortController().signal);
  return { jobs: count, now: outsideNow, then: outsideThen };
}

async function viewOf(sql: Sql, shop: ShopId, id: string, version: number): Promise<CriteriaView> {
  const versions = await listOwnSets(sql, shop, id);
  return versions.find(({ document }) => document.version === version)!;
}

function versionParam(request: Request): { readonly id: string; readonly version: number } {
  const { set = '', version = '' } = request.params as Record<string, string>;
  if (!/^[1-9]\d{0,6}$/.test(version))
    throw misfit([{ field: 'version', found: JSON.stringify(version), allowed: 'the number of a version' }]);
  return { id: set, version: Number(version) };
}

function refuseShipped(id: string, field: string): void {
  if (schoolById(id))
    throw misfit([{ field, found: id, allowed: 'an id of your own: sets that ship are copied and not changed' }]);
}
