import { isCrankingPath } from '../../circuit/paths';
import { readingsOf } from '../../evidence/case-context';
import type { CaseContext } from '../../evidence/case-context';
import { isStill } from '../../evidence/flow';
import type { StepName } from '../../format/names';
import { FAULTS } from '../../trade/tables';

/** A click is heard where the solenoid is told to close; else only its control voltage tells. */
function isTold(context: CaseContext): boolean {
  const { symptomsAgainst = {} } = FAULTS['starter-control'];
  const { symptoms = [] } = context.case.complaint ?? {};
  return (
    symptoms.some((symptom) => symptom in symptomsAgainst) || readingsOf(context, 'starter-control-voltage').length > 0
  );
}

/**
 * Nothing flows, and nobody knows whether the solenoid is told to close: where it is not, every drop of the starting
 * path reads nothing, whatever is open behind it.
 */
export const needsControlFirst = (name: StepName, context: CaseContext): boolean =>
  isCrankingPath(name) && isStill(context) && !isTold(context);
