/** Whether anything flows in the starter: what tells an open circuit from one that only loses volts. */
import type { StepName } from '../../format/names';
import { isCrankingPath } from '../../trade/paths';
import { FAULTS } from '../../trade/tables';
import { didNotCrank, latest, observed, readingsOf } from '../situation';
import type { Sight } from '../situation';

/** Amps under which nothing flows in the motor: a solenoid's own winding at most. */
export const NO_FLOW_AMPS = 25;
/** Under this the engine stands, rpm. */
export const STANDS_RPM = 20;

/** The amps that were read with the key at start; undefined where nobody did. */
const drawn = (sight: Sight): number | undefined => latest(sight, 'starter-draw')?.value;

/** Somebody read the amps with the key at start, and there were none. */
export const isFlowless = (sight: Sight): boolean => (drawn(sight) ?? Infinity) < NO_FLOW_AMPS;

/** It does not turn, and nobody knows whether anything flows. */
export const isFlowUnknown = (sight: Sight): boolean => didNotCrank(sight) && drawn(sight) === undefined;

/** With the key at start nothing flows, as far as is known. */
export const isStill = (sight: Sight): boolean => isFlowless(sight) || isFlowUnknown(sight);

/** Nobody can turn it by hand, and neither the belt nor the plugs held it. */
export const isHeldFast = (sight: Sight): boolean =>
  observed(sight, 'crank-by-hand') === 'locked' &&
  observed(sight, 'belt-removed-crank') !== 'freed' &&
  observed(sight, 'plugs-removed-crank') !== 'freed';

/** A click is heard where the solenoid is told to close; else only its control voltage tells. */
function isTold(sight: Sight): boolean {
  const { symptomsAgainst = {} } = FAULTS['starter-control'];
  const { symptoms = [] } = sight.case.complaint ?? {};
  return (
    symptoms.some((symptom) => symptom in symptomsAgainst) || readingsOf(sight, 'starter-control-voltage').length > 0
  );
}

/**
 * Nothing flows, and nobody knows whether the solenoid is told to close: where it is not, every drop of the starting
 * path reads nothing, whatever is open behind it.
 */
export const needsControlFirst = (name: StepName, sight: Sight): boolean =>
  isCrankingPath(name) && isStill(sight) && !isTold(sight);
