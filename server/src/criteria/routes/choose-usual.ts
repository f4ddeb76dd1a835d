import { UsualCriteria } from '@tetrad/contracts';
import { addAuditEntry } from '../../audit-log/audit-log.sql';
import { actor } from '../../people/who';
import { bodyAs, shopParam } from '../../platform/http/body';
import { runIdempotent } from '../../platform/http/idempotency';
import { chooseUsual } from '../criteria.sql';
import { criteriaOf } from '../criteria-of';
import type { CriteriaRoute } from './criteria-route';

/** Chooses the set that a new job begins with. */
export const chooseUsualSet: CriteriaRoute = (pool) => async (request, response) => {
  const shop = shopParam(request);
  const { id } = bodyAs(UsualCriteria, request);
  await criteriaOf(pool, shop, id, 'id');
  await runIdempotent(pool, request, async (sql) => {
    await chooseUsual(sql, shop, id);
    await addAuditEntry(sql, { what: 'criteria-chosen', ...actor(request), about: id });
  });
  response.status(204).end();
};
