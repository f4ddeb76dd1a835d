import { addAuditEntry } from '../../audit-log/audit-log.sql';
import { actor } from '../../people/who';
import { shopParam } from '../../platform/http/body';
import { runIdempotent } from '../../platform/http/idempotency';
import { chooseUsual } from '../criteria.sql';
import { criteriaOf } from '../criteria-of';
import type { CriteriaRoute } from './criteria-route';

/** Chooses the set that a new job begins with. */
export const chooseUsualSet: CriteriaRoute<'chooseCriteria'> =
  (pool) =>
  async (request, response, { body }) => {
    const shop = shopParam(request);
    const { id } = body;
    await criteriaOf(pool, shop, id, 'id');
    await runIdempotent(pool, request, async (sql) => {
      await chooseUsual(sql, shop, id);
      await addAuditEntry(sql, { what: 'criteria-chosen', ...actor(request), about: id });
    });
    response.end();
  };
