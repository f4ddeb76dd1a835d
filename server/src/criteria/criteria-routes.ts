import type { Pool, Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { checkSet } from './routes/check-set';
import { chooseUsualSet } from './routes/choose-usual';
import { judgePastJobs } from './routes/judge-past-jobs';
import { listSets } from './routes/list-sets';
import { putVersionInForce } from './routes/put-in-force';
import { saveVersion } from './routes/save-version';

/** The criteria sets of a shop: those that ship, and its own, version by version. @param lists Where jobs are read from. */
export function criteriaRoutes(
  pool: Pool,
  lists: Sql,
): Handlers<'listCriteria' | 'checkCriteria' | 'saveCriteria' | 'chooseCriteria' | 'putCriteriaInForce' | 'rejudge'> {
  return {
    listCriteria: listSets(pool, lists),

    checkCriteria: checkSet(pool, lists),

    saveCriteria: saveVersion(pool, lists),

    chooseCriteria: chooseUsualSet(pool, lists),

    putCriteriaInForce: putVersionInForce(pool, lists),

    rejudge: judgePastJobs(pool, lists),
  };
}
