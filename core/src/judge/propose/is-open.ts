/** Whether a step is still to be taken: not done, possible, and not void or unsafe in the present state. */
import type { StepName, TestName } from '../../format/names';
import type { Step as StepRow } from '../../evidence/step';
import { PATH_TESTS, isCrankingPath, isPartOf, pathOf } from '../../circuit/paths';
import type { PathTest } from '../../circuit/paths';
import { TESTS, isTestName, stepOf } from '../../trade/tables';
import {
  didNotCrank,
  didNotRun,
  isCharged,
  isTried,
  latest,
  loadsOf,
  notPossible,
  observed,
  readingsOf,
} from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { isFlowless, isHeldFast, isStill, spinsFree } from '../../evidence/flow';
import { needsControlFirst } from './control-first';
import { isToBeRetaken } from '../prove/is-taken';
import { missingUnits } from './missing-units';

/** A reading may be taken once more where it came out void: then another test must settle it. */
const MAX_TRIES = 2;

/** How often a test was tried in this pass, void readings too; those voided by hand were taken back. */
function triesOf(test: TestName, { case: { readings }, pass }: GradedCase): number {
  let tries = 0;
  for (const reading of readings)
    if (reading.test === test && isTried(reading, pass) && !TESTS[test].isPartial?.(reading)) tries++;
  return tries;
}

/** Read already, or tried as often as it makes sense. Charging is read twice, with loads off and on. */
function isDone(test: TestName, gradedCase: GradedCase): boolean {
  const own = readingsOf(gradedCase, test);
  const judged = TESTS[test].retaken ? own.filter((reading) => !isToBeRetaken(reading, gradedCase)) : own;
  const kinds = TESTS[test].places.length;
  if (kinds > 1) return new Set(judged.map(loadsOf)).size === kinds || triesOf(test, gradedCase) >= kinds * MAX_TRIES;
  if (judged.length > 0) return missingUnits(test, gradedCase).length === 0;
  const tries = triesOf(test, gradedCase);
  // where nothing flows a drop finds what is open, and reads the same however often it is read
  if (tries >= MAX_TRIES) return true;
  return tries > 0 && isCrankingPath(test) && isStill(gradedCase) && !gradedCase.voided.contradicted.has(test);
}

/** True where a test was not said to be impossible, and was not tried as often as makes sense. */
export const canRead = (test: TestName, gradedCase: GradedCase): boolean =>
  !notPossible(gradedCase, test) &&
  triesOf(test, gradedCase) < MAX_TRIES * Math.max(TESTS[test].places.length, gradedCase.units.length + 1);

/** For each path those that it is a piece of, at the same current. */
const WHOLES: ReadonlyMap<StepName, readonly PathTest[]> = new Map(
  PATH_TESTS.map((part) => [
    part,
    PATH_TESTS.filter((whole) => isPartOf(part, whole) && pathOf(whole).loadedBy === pathOf(part).loadedBy),
  ]),
);
const wholesOf = (name: StepName): readonly PathTest[] => WHOLES.get(name) ?? [];

/** The whole path was read and is good: none of its pieces loses too much. */
const isPieceOfGoodWhole = (name: StepName, gradedCase: GradedCase): boolean =>
  wholesOf(name).some((whole) => {
    const reading = latest(gradedCase, whole);
    return reading !== undefined && gradedCase.grades.get(reading.id)?.grade === 'within';
  });

/** A whole path that it lies in is still to be read. */
export const isPieceOfOpenWhole = (name: StepName, gradedCase: GradedCase): boolean =>
  wholesOf(name).some((whole) => isOpen(whole, stepOf(whole)!, gradedCase));

const stands = (gradedCase: GradedCase): boolean => isFlowless(gradedCase) || isHeldFast(gradedCase);

/** Not done, possible, and not void or unsafe in the present state. */
export function isOpen(name: StepName, row: StepRow, gradedCase: GradedCase): boolean {
  if (
    isTestName(name) ? isDone(name, gradedCase) || notPossible(gradedCase, name) : observed(gradedCase, name as never)
  )
    return false;
  if (needsControlFirst(name, gradedCase) || isPieceOfGoodWhole(name, gradedCase)) return false;
  // a starter that spins free asks too little for any drop, and is told to crank
  if ((row.needsTold || name === 'starter-control-voltage') && spinsFree(gradedCase)) return false;
  if (row.needsCharge && !isCharged(gradedCase)) return false;
  if (row.needsTurning && (didNotCrank(gradedCase) || stands(gradedCase))) return false;
  if (row.needsEngine && (didNotRun(gradedCase) || stands(gradedCase))) return false;
  return row.when?.(gradedCase) ?? true;
}
