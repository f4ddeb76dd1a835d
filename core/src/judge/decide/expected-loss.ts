/** What the best action costs under a belief, and what it is expected to cost once a step was read. */
import type { Step } from '../../evidence/step';
import type { FaultName } from '../../format/names';
import type { ProvenCase } from '../prove/prove';
import { EVEN_ODDS } from '../rank/even-odds';
import { partOf } from '../rank/part-of';
import { lossOfCall, lossOfNothing, sumOf } from './final-action';
import type { FinalAction } from './final-action';

/** What is believed: now, or once something was read. */
export interface Belief {
  readonly of: (fault: FaultName) => number;
  readonly none: number;
  /** The faults that were asked after on the way here: each may be called by itself. */
  readonly asked: readonly FaultName[];
}

/** What the loss of a belief is worked out from. */
export interface Choosing {
  /** The cheapest action now. */
  readonly action: FinalAction;
  readonly provenCase: ProvenCase;
}

/** The loss under a belief, min: by {@link lossAt}, or by looking one step further. */
export type LossOf = (belief: Belief) => number;

export const beliefNow = ({ probability }: ProvenCase): Belief => ({
  of: (fault) => probability[fault],
  none: probability.none,
  asked: [],
});

/** The belief once an answer has brought a fault to this probability: what else is possible shares the rest as before. */
function believing(fault: FaultName, after: number, { of, none, asked }: Belief): Belief {
  const rest = (1 - after) / Math.max(1e-9, 1 - of(fault));
  return {
    of: (other) => (other === fault ? after : Math.min(1, of(other) * rest)),
    none: Math.min(1, none * rest),
    asked: [...asked, fault],
  };
}

/**
 * How probable something is after an answer for it and after one against it, and how often the answer is for it.
 *
 * @param before Probability before the step, between 0 and 1.
 * @param strength Share of the doubt's variance that the step takes away, 0 to 1.
 */
export function answers(before: number, strength: number): { isFor: number; ifFor: number; ifAgainst: number } {
  // a step that takes the share s of a doubt's variance away is right in this share of cases, for and against alike
  const right = (1 + Math.sqrt(strength)) / 2;
  const isFor = before * right + (1 - before) * (1 - right);
  return { isFor, ifFor: (before * right) / isFor, ifAgainst: (before * (1 - right)) / (1 - isFor) };
}

/**
 * The least that is to be expected once the step has spoken of one of the faults it tells about, min.
 *
 * @param isAsked The faults that are worth asking after.
 * @param lossOf What the belief after the answer costs.
 */
export function lossAfterStep(
  { informs }: Step,
  belief: Belief,
  isAsked: (fault: FaultName) => boolean,
  { provenCase: { gradedCase } }: Choosing,
  lossOf: LossOf,
): number {
  let least = Infinity;
  for (const [fault, strength] of informs) {
    if (!isAsked(fault) || !partOf(fault, gradedCase)) continue;
    const { isFor, ifFor, ifAgainst } = answers(belief.of(fault), strength);
    const loss =
      isFor * lossOf(believing(fault, ifFor, belief)) + (1 - isFor) * lossOf(believing(fault, ifAgainst, belief));
    least = Math.min(least, loss);
  }
  return least;
}

/** The cheapest of what may be done under a belief, min: the action of now, the call of a fault that was asked after, or neither. */
export function lossAt(belief: Belief, choosing: Choosing): number {
  const { of, none, asked } = belief;
  const { gradedCase } = choosing.provenCase;
  let least = lossAsNow(belief, choosing);
  for (const fault of asked)
    if (of(fault) >= EVEN_ODDS)
      least = Math.min(least, lossOfCall(of(fault), 0, none, partOf(fault, gradedCase)!, gradedCase));
  return least;
}

/** The action that is cheapest now, named after the fault it is called by or one that was asked after; or undecided. */
function lossAsNow({ of, none, asked }: Belief, { action, provenCase: { gradedCase } }: Choosing): number {
  const { costs } = gradedCase.criteria;
  const elseOrNothing = Math.min(lossOfNothing(none, costs), costs.undecided);
  if (!action.fault) return elseOrNothing;
  const { group, rivals, part, fault } = action;
  const all = sumOf(group, of);
  // it goes on as with any other vehicle in which nothing is found yet
  if (all < EVEN_ODDS) return elseOrNothing;
  const elsewhere = (named: FaultName): number => {
    const others = rivals.filter((other) => other !== named).concat(named === fault.fault ? [] : [fault.fault]);
    return sumOf(others, of);
  };
  const names = [fault.fault, ...asked.filter((one) => group.includes(one))];
  return Math.min(...names.map((named) => lossOfCall(all, elsewhere(named), none, part, gradedCase)), costs.undecided);
}
