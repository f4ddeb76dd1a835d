import { isChargeOwed } from '../charge';
import { message } from '../messages';
import type { VoidRule } from './void-rule';

/**
 * A reading under load that fails on a battery that is not charged proves nothing; one that passes still
 * counts. A battery with a dead cell never gets fuller, and one that was charged just before owes nothing.
 */
export const belowCharge: VoidRule = (reading, context, compared) => {
  const { charge, criteria } = context;
  if (charge === null || !isChargeOwed(context) || reading.conditions?.chargedBefore === true) return null;
  if (compared()?.grade !== 'outside') return null;
  return message('below-charge', { charge, needed: criteria.minimumCharge });
};
