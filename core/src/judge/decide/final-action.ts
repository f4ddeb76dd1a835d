/**
 * The action of least expected cost: call a fault, or find nothing. What may be called at all stands above it: its excuses
 * are excluded by readings, it is as likely as not, and no reading straight across a fault is outvoted (docs/judging.md,
 * “When it stops”).
 */
import type { Costs } from '../../criteria/costs';
import type { GradedCase } from '../../evidence/case-context';
import type { FaultName } from '../../format/names';
import type { Part } from '../../format/words';
import { FAULT_NAMES } from '../../trade/tables';
import type { Failure } from '../derive/failures';
import type { ProvenCase } from '../prove/prove';
import { EVEN_ODDS } from '../rank/even-odds';
import type { Ranked } from '../rank/rank-faults';
import { isCallable, isReplaced, mayDecide, partOf } from '../rank/part-of';

/** Of faults that are called together one is named that is at least so likely beside the likeliest. */
const AS_LIKELY = 0.5;
/** Less probable faults add nothing to a call, nor does asking after them save anything. */
export const NEGLIGIBLE = 0.02;

/** A fault is called. */
export interface Call {
  readonly fault: Ranked;
  readonly part: Part;
  /** Faults that the same call puts right, itself among them: their probabilities add. */
  readonly group: readonly FaultName[];
  /** Faults that explain the same failing reading and are left by working on this one. */
  readonly rivals: readonly FaultName[];
  /** What it is expected to cost, min. */
  readonly loss: number;
}

/** Nothing is found. */
export interface NothingFound {
  readonly fault: null;
  readonly loss: number;
}

export type FinalAction = Call | NothingFound;

export interface ActionInput {
  readonly provenCase: ProvenCase;
  readonly ranked: readonly Ranked[];
  readonly failing: readonly Failure[];
  /** Everything that must be read before nothing may be found is read, and no reading stands in the way. */
  readonly mayFindNothing: boolean;
}

/** The cheapest of the actions that may be taken now; null where none may. */
export function cheapestAction({ provenCase, ranked, failing, mayFindNothing }: ActionInput): FinalAction | null {
  const { gradedCase, probability, proofOf } = provenCase;
  const { costs } = gradedCase.criteria;
  const now = (fault: FaultName): number => probability[fault];
  const isProven = (fault: FaultName): boolean => proofOf(fault).proven;
  let best: FinalAction | null = mayFindNothing ? { fault: null, loss: lossOfNothing(probability.none, costs) } : null;
  const named = new Set<FaultName>();
  for (const fault of ranked) {
    if (fault.probability < NEGLIGIBLE) break; // the most probable come first
    // of faults that are called together the most probable one gives its name
    if (!mayDecide(fault.fault, gradedCase) || named.has(fault.fault) || !isProven(fault.fault)) continue;
    const part = partOf(fault.fault, gradedCase)!;
    const beside = besideIn(fault.fault, failing);
    const group = groupOf(fault.fault, part, provenCase, beside);
    for (const other of group) named.add(other);
    if (fault.probability < mostOf(group, probability) * AS_LIKELY) continue;
    // what is not proven of a part calls nothing; of the pieces of one path one that cannot be read is as good as the others
    if (sumOf(isReplaced(part) ? group.filter(isProven) : group, now) < EVEN_ODDS) continue;
    const rivals = beside.filter(
      (other) =>
        other !== fault.fault && isCallable(other) && !(isReplaced(part) && partOf(other, gradedCase) === part),
    );
    const loss = lossOfCall(sumOf(group, now), sumOf(rivals, now), probability.none, part, gradedCase);
    if (!best || loss < best.loss) best = { fault, part, group, rivals, loss };
  }
  return best;
}

/** Probabilities of faults that compete for the same evidence; at most 1. @param of Probability of a fault, 0 to 1. */
export const sumOf = (faults: readonly FaultName[], of: (fault: FaultName) => number): number =>
  Math.min(
    1,
    faults.reduce((sum, fault) => sum + of(fault), 0),
  );

/** What replacing or repairing the part for nothing costs in this vehicle, min: batteries in parallel all go together. */
export function wrongPartMinutes(part: Part, { case: { system }, criteria }: GradedCase): number {
  const { arrangement, count = 1 } = system.battery;
  const minutes = criteria.costs.wrongPart[part];
  return part === 'battery' && arrangement === 'parallel' ? minutes * count : minutes;
}

const mostOf = (faults: readonly FaultName[], probability: ProvenCase['probability']): number =>
  Math.max(...faults.map((fault) => probability[fault]));

/** Of what a call puts right the faults that are about as likely as the likeliest. */
export const likeliestOf = (
  { group }: Pick<Call, 'group'>,
  probability: ProvenCase['probability'],
): readonly FaultName[] => group.filter((fault) => probability[fault] >= mostOf(group, probability) * AS_LIKELY);

/**
 * @param together What the call puts right.
 * @param elsewhere What is bad elsewhere in the same path, and is left.
 * @param none Nothing is wrong: the rest to 1 is a fault somewhere else, undecided after the work as before it.
 */
export function lossOfCall(
  together: number,
  elsewhere: number,
  none: number,
  part: Part,
  gradedCase: GradedCase,
): number {
  const { wrongPiece, undecided } = gradedCase.criteria.costs;
  const left = Math.max(0, 1 - together - none);
  return (1 - together) * wrongPartMinutes(part, gradedCase) + elsewhere * wrongPiece + left * undecided;
}

/** Every fault that is left comes back. @param none Probability that nothing is wrong, 0 to 1. */
export const lossOfNothing = (none: number, { comeback }: Costs): number => (1 - none) * comeback;

/** The faults that the failing readings straight across this one lie across as well. */
const besideIn = (fault: FaultName, failing: readonly Failure[]): readonly FaultName[] => [
  ...new Set(failing.filter(({ faults }) => faults.includes(fault)).flatMap(({ faults }) => faults)),
];

/**
 * What the call of a fault puts right. A new part mends whichever of its faults it was; pieces of one path that fails are
 * worked through together.
 */
function groupOf(
  fault: FaultName,
  part: Part,
  { gradedCase, probability }: ProvenCase,
  beside: readonly FaultName[],
): readonly FaultName[] {
  return FAULT_NAMES.filter(
    (other) =>
      other === fault ||
      (probability[other] >= NEGLIGIBLE &&
        isCallable(other) &&
        partOf(other, gradedCase) === part &&
        (isReplaced(part) || beside.includes(other))),
  );
}
