import type { CheckedCriteriaView } from '@tetrad/contracts';
import { checkCriteria } from '@tetrad/core';
import { shopParam } from '../../platform/http/body';
import { condemned } from '../condemned';
import type { CriteriaRoute } from './criteria-route';

/** Tells what does not fit in a set, and what it condemns of the newest jobs; stores nothing. */
export const checkSet: CriteriaRoute<'checkCriteria'> =
  (_pool, lists) =>
  async (request, response, { body }) => {
    const { document } = body;
    const faults = checkCriteria(document);
    const condemns = faults.length > 0 ? null : await condemned(lists, shopParam(request), document);
    response.json({ faults, condemns } satisfies CheckedCriteriaView);
  };
