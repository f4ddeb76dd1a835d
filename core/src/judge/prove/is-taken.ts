import { readingsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import type { ObservationName, StepName } from '../../format/names';
import type { Reading } from '../../format/reading-shape';
import { TESTS, isTestName } from '../../trade/tables';

/** True for a step of which something that counts is there: a reading that is not void, or a finding. */
export const isTaken = (step: StepName, context: GradedCase): boolean =>
  isTestName(step)
    ? readingsOf(context, step).some((reading) => reading.value !== null && !isToBeRetaken(reading, context))
    : context.observed.has(step as ObservationName);

/** It was noted, and the note says how to take it so that it tells something. */
export const isToBeRetaken = ({ id, test }: Reading, { grades }: GradedCase): boolean =>
  TESTS[test].retaken?.includes(grades.get(id)?.because.code ?? '') ?? false;
