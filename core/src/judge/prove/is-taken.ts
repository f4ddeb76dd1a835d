import { readingsOf } from '../../evidence/case-context';
import type { CaseContext } from '../../evidence/case-context';
import type { ObservationName, StepName } from '../../format/names';
import { isTestName } from '../../trade/tables';

/** True for a step of which something that counts is there: a reading that is not void, or a finding. */
export const isTaken = (step: StepName, context: CaseContext): boolean =>
  isTestName(step)
    ? readingsOf(context, step).some(({ value }) => value !== null)
    : context.observed.has(step as ObservationName);
