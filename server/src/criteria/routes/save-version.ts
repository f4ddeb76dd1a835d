import { checkCriteria } from '@tetrad/core';
import { addAuditEntry } from '../../audit-log/audit-log.sql';
import { actor, whoOf } from '../../people/who';
import { shopParam } from '../../platform/http/body';
import { runIdempotent } from '../../platform/http/idempotency';
import { Refusal, misfit, problem } from '../../platform/http/problem';
import { condemned } from '../condemned';
import { addVersion, newestVersion } from '../criteria.sql';
import { refuseShipped, viewOf } from '../set-version';
import type { CriteriaRoute } from './criteria-route';

/** From this share on a set condemns nearly everything: it is saved only where that is meant. */
const NEARLY_ALL = 0.9;

/** Saves a version of a set of the shop's own; it is not in force yet. */
export const saveVersion: CriteriaRoute<'saveCriteria'> =
  (pool, lists) =>
  async (request, response, { body }) => {
    const { name: by } = whoOf(request);
    const shop = shopParam(request);
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
    response.json(await viewOf(pool, shop, document.id, document.version));
  };
