/** What one pass of a case tells of the vehicle, whatever its readings are worth. */
import { batteryCca, packCca } from '../../battery/rating';
import type { CriteriaSet } from '../../criteria/criteria-set';
import { expectedDraw } from '../../criteria/expected-draw';
import { labelDoubt } from '../../criteria/label-check';
import { isTried } from '../../evidence/case-context';
import type { VehicleFacts } from '../../evidence/case-context';
import { ceilingShown } from '../../evidence/void/clamp';
import type { Case } from '../../format/case-shape';
import type { ObservationName } from '../../format/names';
import type { Pass } from '../../format/words';

/** Temperature of a battery that nobody measured, °C: limits are told for it. */
const USUAL_CELSIUS = 21;

/** The pass a case is in: the newest. */
export const passOf = ({ readings }: Case): Pass =>
  readings.some(({ pass }) => pass === 'after') ? 'after' : 'before';

/**
 * @param subject A case that fits `tetrad-case/1`.
 * @param criteria The set it is judged by.
 * @param pass Before or after a repair.
 * @throws RangeError where the set has no typical starter draw at all.
 */
export function vehicleFacts(subject: Case, criteria: CriteriaSet, pass: Pass): VehicleFacts {
  const { system, conditions = {} } = subject;
  const measured = conditions.batteryCelsius ?? conditions.ambientCelsius;
  const celsius = measured ?? USUAL_CELSIUS;
  return {
    case: subject,
    criteria,
    pass,
    scale: system.nominalVolts / 12,
    celsius,
    celsiusKnown: measured !== undefined,
    cca: batteryCca(system.battery),
    packCca: packCca(system.battery),
    labelDoubt: labelDoubt(system),
    regulation: system.alternator?.regulation ?? 'fixed',
    fuel: system.engine?.fuel ?? 'petrol',
    draw: expectedDraw(system, criteria.expectedDraw, conditions.ambientCelsius ?? celsius),
    clampCeiling: lowestCeiling(subject, pass),
    observed: observedOf(subject, pass),
  };
}

function lowestCeiling({ readings }: Case, pass: Pass): number | null {
  let lowest: number | null = null;
  for (const reading of readings) {
    if (reading.test !== 'starter-draw' || !isTried(reading, pass)) continue;
    const ceiling = ceilingShown(reading);
    if (ceiling !== null) lowest = Math.min(lowest ?? ceiling, ceiling);
  }
  return lowest;
}

function observedOf({ observations = [] }: Case, pass: Pass): ReadonlyMap<ObservationName, string> {
  const found = new Map<ObservationName, string>();
  for (const { about, finding, pass: own = 'before' } of observations) if (own === pass) found.set(about, finding);
  return found;
}
