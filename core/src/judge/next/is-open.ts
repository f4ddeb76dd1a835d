/** Whether a step is still to be taken: not done, possible, and not void or unsafe in the present state. */
import type { Reading } from '../../format/case-shape';
import type { StepName, TestName } from '../../format/names';
import type { Step as StepRow } from '../../trade/step';
import { isCrankingPath } from '../../trade/paths';
import { TESTS, isTestName } from '../../trade/tables';
import { didNotCrank, didNotRun, isCharged, isTried, loadsOf, notPossible, observed, readingsOf } from '../situation';
import type { Situation } from '../situation';
import { isFlowless, isHeldFast, isStill, needsControlFirst } from '../weigh/flow';
import { missingUnits } from './missing-units';

/** A reading may be taken once more where it came out void: then another test must settle it. */
const MOST_TRIES = 2;

/** How often a test was tried in this pass, void readings too; those voided by hand were taken back. */
function triesOf(test: TestName, { case: { readings }, pass }: Situation): number {
  let tries = 0;
  for (const reading of readings) if (reading.test === test && isTried(reading, pass)) tries++;
  return tries;
}

/** It was noted, and the note says how to take it so that it tells something. */
const isRetaken = ({ id, test }: Reading, { graded }: Situation): boolean =>
  TESTS[test].retaken?.includes(graded.get(id)!.because.code) ?? false;

/** Read already, or tried as often as it makes sense. Charging is read twice, with loads off and on. */
function isDone(test: TestName, situation: Situation): boolean {
  const own = readingsOf(situation, test);
  const judged = TESTS[test].retaken ? own.filter((reading) => !isRetaken(reading, situation)) : own;
  const kinds = TESTS[test].places.length;
  if (kinds > 1) return new Set(judged.map(loadsOf)).size === kinds || triesOf(test, situation) >= kinds * MOST_TRIES;
  if (judged.length > 0) return missingUnits(test, situation).length === 0;
  const tries = triesOf(test, situation);
  // where nothing flows a drop finds what is open, and reads the same however often it is read
  return tries >= MOST_TRIES || (tries > 0 && isCrankingPath(test) && isStill(situation));
}

export const canRead = (test: TestName, situation: Situation): boolean =>
  !notPossible(situation, test) && triesOf(test, situation) < MOST_TRIES * Math.max(1, situation.units.length + 1);

const stands = (situation: Situation): boolean => isFlowless(situation) || isHeldFast(situation);

/** Not done, possible, and not void or unsafe in the present state. */
export function isOpen(name: StepName, row: StepRow, situation: Situation): boolean {
  if (isTestName(name) ? isDone(name, situation) || notPossible(situation, name) : observed(situation, name as never))
    return false;
  if (needsControlFirst(name, situation)) return false;
  if (row.needsCharge && !isCharged(situation)) return false;
  if (row.needsTurning && (didNotCrank(situation) || stands(situation))) return false;
  if (row.needsEngine && (didNotRun(situation) || stands(situation))) return false;
  return row.when?.(situation) ?? true;
}
