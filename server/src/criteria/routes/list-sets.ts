import type { CriteriaListView, CriteriaView } from '@tetrad/contracts';
import { CRITERIA_FORMAT, SCHOOLS } from '@tetrad/core';
import { shopParam } from '../../platform/http/body';
import { listOwnSets, usualCriteria } from '../criteria.sql';
import type { CriteriaRoute } from './criteria-route';

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

/** Tells the sets that ship and the shop's own, every version of them. */
export const listSets: CriteriaRoute<'listCriteria'> = (pool) => async (request, response) => {
  const shop = shopParam(request);
  const [own, usual] = await Promise.all([listOwnSets(pool, shop), usualCriteria(pool, shop)]);
  response.json({ usual, sets: [...SHIPPED, ...own] } satisfies CriteriaListView);
};
