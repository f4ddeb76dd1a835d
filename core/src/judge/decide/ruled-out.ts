/** Which other causes of a called fault are ruled out, each with what excludes it. */
import { isPathTest, readAcross } from '../../circuit/paths';
import { readingsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { isOutside } from '../../evidence/limit-of';
import { pathIsGood } from '../../evidence/path-is-good';
import type { FaultName, ObservationName, StepName, TestName } from '../../format/names';
import { excuseRow } from '../../trade/excuses';
import type { ExcuseName } from '../../trade/excuses';
import { FAULTS, isObservationName, isTestName } from '../../trade/tables';
import type { Call } from './final-action';

/** Another cause, and what excludes it: readings by their ids, and what was seen. */
export interface RuledOut {
  /** An excuse of the fault, or a fault that would explain the same reading. */
  readonly cause: ExcuseName | FaultName;
  readonly readings: readonly string[];
  readonly observations: readonly ObservationName[];
}

/** Of a charge the resting voltage after it tells. */
const testOf = (step: StepName): TestName | null =>
  step === 'charge' ? 'resting-voltage' : isTestName(step) ? step : null;

function readingsFor(steps: readonly StepName[], gradedCase: GradedCase): readonly string[] {
  return steps.flatMap((step) => {
    const test = testOf(step);
    if (test === null) return [];
    const newest = readingsOf(gradedCase, test).findLast(({ value }) => value !== null);
    if (newest) return isOutside(gradedCase, newest) ? [] : [newest.id];
    // void as a drop, and yet nothing in it is open
    if (!gradedCase.voided.closed.has(test)) return [];
    return gradedCase.case.readings.filter((reading) => reading.test === test).map(({ id }) => id);
  });
}

const seenOf = (steps: readonly StepName[], gradedCase: GradedCase): readonly ObservationName[] =>
  steps.filter(isObservationName).filter((about) => gradedCase.observed.has(about));

/**
 * The other causes that readings exclude: the fault's excuses, and the pieces of the same path that a reading of their own
 * finds good.
 */
export function ruledOut({ fault: { fault }, rivals }: Call, gradedCase: GradedCase): readonly RuledOut[] {
  const excuses = FAULTS[fault].excuses
    .filter(({ excuse }) => excuseRow(excuse).cause !== undefined)
    .map(({ excuse }): RuledOut => {
      const { steps } = excuseRow(excuse);
      return { cause: excuse, readings: readingsFor(steps, gradedCase), observations: seenOf(steps, gradedCase) };
    });
  const pieces = rivals.map((rival): RuledOut => {
    const good = readAcross(rival).filter((test) => isPathTest(test) && pathIsGood(gradedCase, test));
    return { cause: rival, readings: readingsFor(good, gradedCase), observations: [] };
  });
  return [...excuses, ...pieces].filter(({ readings, observations }) => readings.length + observations.length > 0);
}
