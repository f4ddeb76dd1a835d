/** Whether another step is worth its minutes: what it is expected to save, one step ahead. */
import type { PathTest } from '../../circuit/paths';
import type { Costs } from '../../criteria/costs';
import type { Step } from '../../evidence/step';
import type { FaultName, StepName } from '../../format/names';
import type { Part } from '../../format/words';
import { FAULTS } from '../../trade/tables';
import type { Failure } from '../derive/failures';
import { isOpen } from '../propose/is-open';
import { SETTING_UP_MINUTES, STEP_ROWS, stepRowOf } from '../propose/step-rows';
import type { StepRow } from '../propose/step-rows';
import type { ProvenCase } from '../prove/prove';
import { EVEN_ODDS } from '../rank/even-odds';
import { partOf } from '../rank/part-of';
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

/** What is believed once a step was read. */
interface Answer {
  readonly after: (fault: FaultName) => number;
  readonly none: number;
}

interface Choosing {
  readonly action: FinalAction;
  readonly provenCase: ProvenCase;
  readonly costs: Costs;
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
  const choosing: Choosing = { action, provenCase, costs };
  const now = Math.min(action.loss, costs.undecided);
  const asked = askedOf(choosing);
  const found: WorthwhileStep[] = [];
  const consider = (stepRow: StepRow, again: Repeated | null, expected: () => number): void => {
    const { name, row } = stepRow;
    const price = priceOf(stepRow, costs);
    if (now <= price) return;
    const saves = now - expected();
    if (saves > price && (again || isOpen(name, row, gradedCase)))
      found.push({ step: name, minutes: row.minutes, saves, again });
  };
  for (const step of STEP_ROWS)
    if (step.row.informs.length > 0) consider(step, null, () => lossAfterStep(step.row, asked, choosing, now));
  if (action.fault)
    for (const [step, again] of singleWitnesses(action.fault.fault, gradedCase, failing))
      consider(step, again, () => lossAfterRepeat(action, provenCase));
  for (const [test, saves] of narrowing(choosing, failing))
    if (!found.some(({ step }) => step === test)) {
      const stepRow = stepRowOf(test);
      if (saves > priceOf(stepRow, costs)) found.push({ step: test, minutes: stepRow.row.minutes, saves, again: null });
    }
  const net = ({ saves, minutes }: WorthwhileStep): number => saves - minutes * costs.work;
  return found.sort((a, b) => Number(a.again !== null) - Number(b.again !== null) || net(b) - net(a));
}

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
  { action, provenCase, costs }: Choosing,
  failing: readonly Failure[],
): readonly (readonly [PathTest, number])[] {
  if (!action.fault) return [];
  const pieces = placeOf(likeliestOf(action, provenCase.probability), provenCase.figures.paths, failing);
  const saves = (costs.wrongPiece * (pieces.length - 1)) / 2;
  return narrowingTests(pieces, provenCase.gradedCase).map((test) => [test, saves] as const);
}

/** The least that is to be expected once the step has spoken of one of the faults it tells about, min. */
function lossAfterStep(
  { informs }: Step,
  isAsked: (fault: FaultName) => boolean,
  choosing: Choosing,
  now: number,
): number {
  let least = now;
  for (const [fault, strength] of informs) {
    if (!isAsked(fault)) continue;
    const part = partOf(fault, choosing.provenCase.gradedCase);
    if (part) least = Math.min(least, lossAfterAnswer(fault, part, strength, choosing));
  }
  return least;
}

/** How probable something is after an answer for it and after one against it, and how often the answer is for it. */
function answers(before: number, strength: number): { isFor: number; ifFor: number; ifAgainst: number } {
  // a step that takes the share s of a doubt's variance away is right in this share of cases, for and against alike
  const right = (1 + Math.sqrt(strength)) / 2;
  const isFor = before * right + (1 - before) * (1 - right);
  return { isFor, ifFor: (before * right) / isFor, ifAgainst: (before * (1 - right)) / (1 - isFor) };
}

function lossAfterAnswer(fault: FaultName, part: Part, strength: number, choosing: Choosing): number {
  const { probability } = choosing.provenCase;
  const before = probability[fault];
  const { isFor, ifFor, ifAgainst } = answers(before, strength);
  const lossAt = (after: number): number => {
    // what else is possible shares the rest as before
    const rest = (1 - after) / Math.max(1e-9, 1 - before);
    const answer: Answer = {
      after: (other) => (other === fault ? after : Math.min(1, probability[other] * rest)),
      none: Math.min(1, probability.none * rest),
    };
    const callsIt =
      after >= EVEN_ODDS ? lossOfCall(after, 0, answer.none, part, choosing.provenCase.gradedCase) : Infinity;
    return Math.min(callsIt, lossAsNow(answer, fault, choosing));
  };
  return isFor * lossAt(ifFor) + (1 - isFor) * lossAt(ifAgainst);
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

/** The action that is cheapest now, with this answer; or named after the fault that was asked after; or undecided. */
function lossAsNow({ after, none }: Answer, asked: FaultName, { action, provenCase, costs }: Choosing): number {
  if (!action.fault) return Math.min(lossOfNothing(none, costs), costs.undecided);
  const { group, rivals, part, fault } = action;
  const all = sumOf(group, after);
  // it goes on as with any other vehicle in which nothing is found yet
  if (all < EVEN_ODDS) return Math.min(lossOfNothing(none, costs), costs.undecided);
  const elsewhere = (named: FaultName): number => {
    const others = rivals.filter((other) => other !== named).concat(named === fault.fault ? [] : [fault.fault]);
    return sumOf(others, after);
  };
  const names = group.includes(asked) ? [fault.fault, asked] : [fault.fault];
  return Math.min(
    ...names.map((named) => lossOfCall(all, elsewhere(named), none, part, provenCase.gradedCase)),
    costs.undecided,
  );
}
