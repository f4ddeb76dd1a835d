import { CheckCriteria } from '@tetrad/contracts';
import type { CheckedCriteriaView } from '@tetrad/contracts';
import { checkCriteria } from '@tetrad/core';
import { bodyAs, shopParam } from '../../platform/http/body';
import { condemned } from '../condemned';
import type { CriteriaRoute } from './criteria-route';

/** Tells what does not fit in a set, and what it condemns of the newest jobs; stores nothing. */
export const checkSet: CriteriaRoute = (_pool, lists) => async (request, response) => {
  const { document } = bodyAs(CheckCriteria, request);
  const faults = checkCriteria(document);
  const condemns = faults.length > 0 ? null : await condemned(lists, shopParam(request), document);
  response.json({ faults, condemns } satisfies CheckedCriteriaView);
};
