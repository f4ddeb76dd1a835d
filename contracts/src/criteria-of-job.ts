import { schoolById } from '@tetrad/core';
import type { CriteriaSet } from '@tetrad/core';
import type { JobView } from './views';

/**
 * The criteria set that a job is judged by: the shop's own comes with the job, the others ship.
 *
 * @throws RangeError for one that is not known: it is never taken for another.
 */
export function criteriaOfJob({ criteria, criteriaSet }: Pick<JobView, 'criteria' | 'criteriaSet'>): CriteriaSet {
  const found = criteriaSet ?? schoolById(criteria);
  if (!found) throw new RangeError(`there is no criteria set ${criteria} here`);
  return found;
}
