import { readingsOf } from '../../evidence/case-context';
import type { CaseContext } from '../../evidence/case-context';
import { isStill } from '../../evidence/flow';
import { isHeardToClose } from '../../evidence/told-to-crank';
import type { StepName } from '../../format/names';
import { FAULTS, stepOf } from '../../trade/tables';

/** A click is heard where the solenoid is told to close; else only its control voltage tells. */
function isTold(context: CaseContext): boolean {
  const { symptomsAgainst = {} } = FAULTS['starter-control'];
  const { symptoms = [] } = context.case.complaint ?? {};
  return (
    isHeardToClose(context) ||
    symptoms.some((symptom) => symptom in symptomsAgainst) ||
    readingsOf(context, 'starter-control-voltage').length > 0
  );
}

/**
 * Nothing flows, and nobody knows whether the solenoid is told to close: where it is not, everything behind
 * it reads nothing, whatever is open there.
 */
export const needsControlFirst = (name: StepName, context: CaseContext): boolean =>
  stepOf(name)?.needsTold === true && isStill(context) && !isTold(context);
