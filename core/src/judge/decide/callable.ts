/** Which fault may be called: probable enough, and proven. */
import { threshold } from '../../criteria/weights';
import type { FaultName } from '../../format/names';
import type { Part } from '../../format/words';
import { FAULTS, FAULT_NAMES, stepOf } from '../../trade/tables';
import { isOpen } from '../propose/is-open';
import type { ProvenCase } from '../prove/prove';
import { EVEN_ODDS } from '../rank/even-odds';
import type { Ranked } from '../rank/rank-faults';
import type { GradedCase } from '../../evidence/case-context';
import type { DecisionInput } from './decision-input';
import type { Failure } from '../derive/failures';
import { isCallable, isReplaced, partOf } from '../rank/part-of';

/** The fault that may be called: probable and proven, or straight across a reading with nothing left to ask. */
export function callable({ provenCase, ranked, uncovered, failing, proposed }: DecisionInput): Ranked | undefined {
  const { criteria } = provenCase.gradedCase;
  const find = (least: number, among: (fault: FaultName) => boolean = () => true): Ranked | undefined =>
    ranked.find(
      ({ fault, probability }) =>
        isCallable(fault) && probability >= least && among(fault) && provenCase.proofOf(fault).proven,
    );
  const isAcross = (fault: FaultName): boolean => failing.some(({ faults }) => faults.includes(fault));
  const sure =
    find(criteria.callProbability) ??
    find(threshold('across'), (fault) => isAcross(fault) && !hasOpenRival(fault, provenCase, failing)) ??
    callablePart(provenCase, ranked) ??
    callablePath(provenCase, ranked, failing);
  if (sure) return sure;
  // read twice and failed twice: whatever else was read does not outvote it
  const isTwice = (fault: FaultName): boolean =>
    failing.some(({ faults, isRepeated }) => isRepeated && faults.includes(fault));
  const isLikely = (fault: FaultName): boolean => partProbability(fault, provenCase) >= EVEN_ODDS;
  const twice = failing.some(({ isRepeated }) => isRepeated)
    ? find(0, (fault) => isTwice(fault) && isLikely(fault))
    : undefined;
  if (twice || uncovered.length > 0 || proposed().length > 0) return twice;
  // nothing that was only seen or said is called as likely as not
  return find(failing.length > 0 ? EVEN_ODDS : threshold('likely'));
}

/** Of a fault and the others of the same part together: they compete for the same evidence. */
function partProbability(fault: FaultName, { gradedCase, probability }: ProvenCase): number {
  const part = partOf(fault, gradedCase);
  const own = FAULT_NAMES.filter((other) => isCallable(other) && partOf(other, gradedCase) === part);
  return own.reduce((sum, other) => sum + probability[other], 0);
}

/** The path that fails holds something of another part as well, as likely as not: it is halved before either is blamed. */
function hasOpenRival(fault: FaultName, { gradedCase, probability }: ProvenCase, failing: readonly Failure[]): boolean {
  const part = partOf(fault, gradedCase);
  return failing.some(
    ({ faults }) =>
      faults.includes(fault) &&
      faults.some(
        (rival) =>
          probability[rival] >= threshold('unlikely') &&
          partOf(rival, gradedCase) !== part &&
          canBeHalvedBy(rival, gradedCase),
      ),
  );
}

/**
 * A part that is called for whichever of its faults it is: a worn battery and one with a dead cell look alike
 * and are replaced alike. They compete for the same evidence, so that their probabilities add. The most probable
 * of them gives the decision its name.
 */
function callablePart(provenCase: ProvenCase, ranked: readonly Ranked[]): Ranked | undefined {
  const { gradedCase } = provenCase;
  const isProven = ({ fault }: Ranked): boolean => isCallable(fault) && provenCase.proofOf(fault).proven;
  const shared = (part: Part | null): number =>
    ranked
      .filter((entry) => isReplaced(part) && partOf(entry.fault, gradedCase) === part && isProven(entry))
      .reduce((sum, { probability }) => sum + probability, 0);
  return ranked.find(
    (entry) =>
      entry.probability >= EVEN_ODDS &&
      isProven(entry) &&
      shared(partOf(entry.fault, gradedCase)) >= gradedCase.criteria.callProbability,
  );
}

/**
 * A path that fails is repaired whichever piece of it is bad, once nothing is left to halve it by: the faults in it
 * compete for the same reading, so that their probabilities add.
 */
function callablePath(
  provenCase: ProvenCase,
  ranked: readonly Ranked[],
  failing: readonly Failure[],
): Ranked | undefined {
  const { gradedCase, probability } = provenCase;
  for (const { faults } of failing) {
    const likely = faults.filter((fault) => probability[fault] >= threshold('unlikely'));
    const isOnePart = new Set(faults.map((fault) => partOf(fault, gradedCase))).size === 1;
    const together = faults.reduce((sum, fault) => sum + probability[fault], 0);
    if (!isOnePart || together < gradedCase.criteria.callProbability) continue;
    if (likely.some((fault) => canBeHalvedBy(fault, gradedCase))) continue;
    const found = ranked.find(({ fault }) => likely.includes(fault) && provenCase.proofOf(fault).proven);
    if (found) return found;
  }
  return undefined;
}

/** The test that lies straight across this fault alone can still be read. */
function canBeHalvedBy(fault: FaultName, gradedCase: GradedCase): boolean {
  const { where } = FAULTS[fault];
  return where !== undefined && isOpen(where, stepOf(where)!, gradedCase);
}
