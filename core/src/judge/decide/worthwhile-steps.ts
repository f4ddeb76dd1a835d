/** Whether another step is worth its minutes: what it is expected to save, one step ahead, two at one hook-up. */
import type { PathTest } from '../../circuit/paths';
import type { Costs } from '../../criteria/costs';
import type { FaultName, StepName } from '../../format/names';
import { FAULTS, TESTS, isTestName } from '../../trade/tables';
import type { Failure } from '../derive/failures';
import { isOpen } from '../propose/is-open';
import { SETTING_UP_MINUTES, STEP_ROWS, stepRowOf } from '../propose/step-rows';
import type { StepRow } from '../propose/step-rows';
import type { ProvenCase } from '../prove/prove';
import { EVEN_ODDS } from '../rank/even-odds';
import { answers, beliefNow, lossAfterStep, lossAt } from './expected-loss';
import type { Choosing, LossOf } from './expected-loss';
import { likeliestOf, lossOfCall, lossOfNothing, sumOf } from './final-action';
import type { Call, FinalAction } from './final-action';
import { narrowingTests, placeOf } from './place';
import { singleWitnesses } from './single-witness';
import type { Repeated } from './single-witness';

/** Share of the doubt that a second reading of the same takes away: a slip seldom happens twice alike. */
const REPEAT_TELLS = 0.9;

/** A fault is suspected where what was read makes it this many times as probable as it is before anything is read. */
const SUSPECTED = 2;

/** A step that is expected to save more than it costs. */
export interface WorthwhileStep {
  readonly step: StepName;
  /** Minutes it takes, and minutes that it is expected to save, the former not taken off. */
  readonly minutes: number;
  readonly saves: number;
  /** What it repeats; null where it was not done before. */
  readonly again: Repeated | null;
}

/**
 * The open steps that are expected to save more minutes than they take, the best first; what was read already comes last.
 *
 * @param action The cheapest action now.
 * @param failing What lies outside its limit: a single witness may be heard twice.
 */
export function worthwhileSteps(
  action: FinalAction,
  provenCase: ProvenCase,
  failing: readonly Failure[],
): readonly WorthwhileStep[] {
  const { gradedCase } = provenCase;
  const { costs } = gradedCase.criteria;
  const choosing: Choosing = { action, provenCase };
  const now = Math.min(action.loss, costs.undecided);
  const found: WorthwhileStep[] = [];
  const consider = (stepRow: StepRow, again: Repeated | null, loss: () => number): void => {
    const price = priceOf(stepRow, costs);
    if (now <= price) return;
    const saves = now - loss();
    if (saves > price) found.push({ step: stepRow.name, minutes: stepRow.row.minutes, saves, again });
  };
  // what confirms a reading and tells where besides comes in place of the same reading once more
  const considerAgain = (stepRow: StepRow, again: Repeated, loss: () => number): void => {
    const other = isTestName(stepRow.name) ? TESTS[stepRow.name].confirmedBy : undefined;
    const row = other && stepRowOf(other);
    if (row && isOpen(row.name, row.row, gradedCase)) consider(row, null, loss);
    else consider(stepRow, again, loss);
  };
  for (const [stepRow, loss] of unread(choosing, now)) consider(stepRow, null, loss);
  if (action.fault)
    for (const [stepRow, again] of singleWitnesses(action.fault.fault, gradedCase, failing))
      considerAgain(stepRow, again, () => lossAfterRepeat(action, provenCase));
  for (const [test, saves] of narrowing(choosing, failing))
    if (saves > priceOf(stepRowOf(test), costs) && !found.some(({ step }) => step === test))
      found.push({ step: test, minutes: stepRowOf(test).row.minutes, saves, again: null });
  const net = ({ saves, minutes }: WorthwhileStep): number => saves - minutes * costs.work;
  return found.sort((a, b) => Number(a.again !== null) - Number(b.again !== null) || net(b) - net(a));
}

/**
 * The steps that tell of what is worth asking after, each with what is to be expected once it was read: the best action
 * then, or one step more at the same hook-up, which costs no setting up. Whether a step is open is looked at only where
 * its price leaves anything to save.
 *
 * @param now What the best action costs now, min: no reading makes it dearer.
 */
function unread(choosing: Choosing, now: number): readonly (readonly [StepRow, () => number])[] {
  const { gradedCase } = choosing.provenCase;
  const { work } = gradedCase.criteria.costs;
  const isAsked = askedOf(choosing);
  const belief = beliefNow(choosing.provenCase);
  const loss: LossOf = (one) => lossAt(one, choosing);
  const telling = STEP_ROWS.filter(({ row }) => row.informs.some(([fault]) => isAsked(fault)));
  const isOpenNow = ({ name, row }: StepRow): boolean => isOpen(name, row, gradedCase);
  const expected = (stepRow: StepRow): number => {
    if (!isOpenNow(stepRow)) return now;
    const beside = telling.filter((other) => other !== stepRow && isSameHookUp(other, stepRow) && isOpenNow(other));
    const oneMore: LossOf = (one) =>
      beside.reduce(
        (least, { row }) => Math.min(least, row.minutes * work + lossAfterStep(row, one, isAsked, choosing, loss)),
        loss(one),
      );
    return Math.min(now, lossAfterStep(stepRow.row, belief, isAsked, choosing, oneMore));
  };
  return telling.map((stepRow) => [stepRow, () => expected(stepRow)]);
}

/** Leads and engine stay as they are. */
const isSameHookUp = ({ row: a }: StepRow, { row: b }: StepRow): boolean =>
  a.place === b.place && a.engine === b.engine;

/** What a step costs: its work with the setting up, and the place that is taken while one waits, min. */
const priceOf = ({ row, waitMinutes }: StepRow, { work, wait }: Costs): number =>
  (row.minutes + SETTING_UP_MINUTES) * work + waitMinutes * wait;

/**
 * The faults that are worth asking after: where one is called, it and what may be there in its place; where nothing is
 * found, what is suspected. Beside that what the complaint asks for is enough (docs/judging.md, “Nothing found”).
 */
function askedOf({ action, provenCase: { probability } }: Choosing): (fault: FaultName) => boolean {
  const isSuspected = (fault: FaultName): boolean => probability[fault] >= SUSPECTED * FAULTS[fault].prior;
  if (!action.fault) return isSuspected;
  const own = new Set<FaultName>([...action.group, ...action.rivals]);
  const positive = action.fault.lines.filter(({ weight }) => weight > 0);
  // what only shares the complaint does not explain what was read
  const read = positive.filter(({ finding }) => !('symptom' in finding.source));
  for (const { finding } of read.length > 0 ? read : positive) for (const { fault } of finding.causes) own.add(fault);
  return (fault) => action.group.includes(fault) || (own.has(fault) && isSuspected(fault));
}

/** Of several pieces that are as likely half of the others are worked on for nothing; a drop across some of them tells. */
function narrowing(
  { action, provenCase }: Choosing,
  failing: readonly Failure[],
): readonly (readonly [PathTest, number])[] {
  if (!action.fault) return [];
  const pieces = placeOf(likeliestOf(action, provenCase.probability), provenCase.figures.paths, failing);
  const saves = (provenCase.gradedCase.criteria.costs.wrongPiece * (pieces.length - 1)) / 2;
  return narrowingTests(pieces, provenCase.gradedCase).map((test) => [test, saves] as const);
}

/** A second reading of the same speaks of all that the call puts right together, and tells nothing of its pieces apart. */
function lossAfterRepeat({ group, rivals, part }: Call, { gradedCase, probability }: ProvenCase): number {
  const { costs } = gradedCase.criteria;
  const now = (fault: FaultName): number => probability[fault];
  const before = sumOf(group, now);
  const { isFor, ifFor, ifAgainst } = answers(before, REPEAT_TELLS);
  const lossAt = (after: number): number => {
    const factor = after / before;
    const none = Math.min(1, (probability.none * (1 - after)) / Math.max(1e-9, 1 - before));
    const call = after >= EVEN_ODDS ? lossOfCall(after, sumOf(rivals, now) * factor, none, part, gradedCase) : Infinity;
    return Math.min(call, lossOfNothing(none, costs), costs.undecided);
  };
  return isFor * lossAt(ifFor) + (1 - isFor) * lossAt(ifAgainst);
}
