import type { TestName } from '../case/vocabulary';
import type { CriteriaSet, Limit } from './criteria-set';

const INDEX = new WeakMap<CriteriaSet, ReadonlyMap<TestName, readonly Limit[]>>();
const NONE: readonly Limit[] = [];

/** The limits of a set that speak of one test; looked up once a set, since every reading asks. */
export function limitsOf(criteria: CriteriaSet, test: TestName): readonly Limit[] {
  let index = INDEX.get(criteria);
  if (!index) {
    const groups = new Map<TestName, Limit[]>();
    for (const limit of criteria.limits) groups.set(limit.test, [...(groups.get(limit.test) ?? []), limit]);
    INDEX.set(criteria, (index = groups));
  }
  return index.get(test) ?? NONE;
}
