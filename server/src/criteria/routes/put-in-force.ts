import { addAuditEntry } from '../../audit-log/audit-log.sql';
import { actor, whoOf } from '../../people/who';
import { shopParam } from '../../platform/http/body';
import { runIdempotent } from '../../platform/http/idempotency';
import { notFound } from '../../platform/http/problem';
import { putInForce } from '../criteria.sql';
import { refuseShipped, versionParam, viewOf } from '../set-version';
import type { CriteriaRoute } from './criteria-route';

/** Puts a version in force: jobs of its set are judged by it from then on. */
export const putVersionInForce: CriteriaRoute<'putCriteriaInForce'> = (pool) => async (request, response) => {
  const { name: by } = whoOf(request);
  const [shop, { id, version }] = [shopParam(request), versionParam(request)];
  refuseShipped(id, 'set');
  await runIdempotent(pool, request, async (sql) => {
    if (!(await putInForce(sql, shop, id, version, by))) throw notFound('version of this set', `${id} ${version}`);
    await addAuditEntry(sql, { what: 'criteria-in-force', ...actor(request), about: id, detail: { version } });
  });
  response.json(await viewOf(pool, shop, id, version));
};
