import { Router } from 'express';
import type { Pool, Sql } from '../platform/database/pool';
import { checkSet } from './routes/check-set';
import { chooseUsualSet } from './routes/choose-usual';
import { judgePastJobs } from './routes/judge-past-jobs';
import { listSets } from './routes/list-sets';
import { putVersionInForce } from './routes/put-in-force';
import { saveVersion } from './routes/save-version';

/** The criteria sets of a shop: those that ship, and its own, version by version. @param lists Where jobs are read from. */
export function criteriaRoutes(pool: Pool, lists: Sql): Router {
  const router = Router({ mergeParams: true });
  router.get('/criteria', listSets(pool, lists));
  router.post('/criteria/check', checkSet(pool, lists));
  router.post('/criteria', saveVersion(pool, lists));
  router.put('/criteria/usual', chooseUsualSet(pool, lists));
  router.post('/criteria/:set/versions/:version/in-force', putVersionInForce(pool, lists));
  router.post('/criteria/:set/versions/:version/rejudge', judgePastJobs(pool, lists));
  return router;
}
