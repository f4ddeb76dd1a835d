import { restingCelsius, stateOfCharge } from '../../battery/state-of-charge';
import type { Reading } from '../../format/reading-shape';
import { isCharged, isNumeric } from '../case-context';
import type { CaseContext } from '../case-context';
import { hasDeadCellVolts, isChargeOwed } from '../charge';
import { message } from '../messages';
import type { VoidRule } from './void-rule';

/**
 * How full the battery was when this was read: by the newest resting voltage before it, else by the first after it.
 * Null where it was never read at rest.
 */
function chargeThen(reading: Reading, context: CaseContext): number | null {
  const { battery, nominalVolts } = context.case.system;
  const at = context.readings.indexOf(reading);
  let then: number | null = null;
  for (const [place, rest] of context.readings.entries()) {
    if (rest.test !== 'resting-voltage' || rest.battery !== reading.battery || !isNumeric(rest)) continue;
    if (place > at && then !== null) break;
    then = rest.value;
  }
  return then === null ? null : stateOfCharge(then, battery.chemistry, nominalVolts, restingCelsius(context));
}

/**
 * A reading under load that fails on a battery that is not charged proves nothing, nor does one that failed before it
 * was charged; one that passes still counts. A battery with a dead cell never gets fuller, and one that was charged just
 * before owes nothing.
 */
export const belowCharge: VoidRule = (reading, context, compared) => {
  const { charge, criteria } = context;
  if (charge === null || reading.conditions?.chargedBefore === true) return null;
  if (isChargeOwed(context))
    return compared()?.grade === 'outside' ? message('below-charge', { charge, needed: criteria.minimumCharge }) : null;
  if (!isCharged(context) || hasDeadCellVolts(context)) return null;
  const then = chargeThen(reading, context);
  if (then === null || then >= criteria.minimumCharge || compared()?.grade !== 'outside') return null;
  return message('charged-since', { charge: then, needed: criteria.minimumCharge });
};
