import { isChargeOwed } from '../derive/charge';
import { grade } from '../grade/grade';
import { forUnit } from '../see';
import type { VoidRule } from './void-rule';

/**
 * A reading under load that fails on a battery that is not charged proves nothing; one that passes still
 * counts. A battery with a dead cell never gets fuller, and one that was charged just before owes nothing.
 */
export const belowCharge: VoidRule = (reading, whole) => {
  const sight = forUnit(whole, reading.battery);
  const { charge, criteria } = sight;
  if (charge === null || !isChargeOwed(sight) || reading.conditions?.chargedBefore === true) return null;
  if (grade(reading, whole).grade !== 'outside') return null;
  return { code: 'below-charge', with: { charge, needed: criteria.minimumCharge } };
};
