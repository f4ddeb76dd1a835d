/** Which fault may be called: probable enough, and proven. */
import { threshold } from '../../criteria/evidence';
import type { FaultName } from '../../format/names';
import type { Part } from '../../format/words';
import { FAULTS, stepOf } from '../../trade/tables';
import { isOpen } from '../next/is-open';
import type { Evidence } from '../prove/evidence';
import { proofOf } from '../prove/prove';
import type { Ranked } from '../rank/rank-faults';
import type { Situation } from '../situation';
import type { DecisionInput } from './decide';
import type { Failure } from './failures';
import { isCallable, isReplaced, partOf } from './part-of';

/** With every useful test done and something that was read outside its limit, a proven fault is called from here on. */
const EVEN_ODDS = 0.5;

/** The fault that may be called: probable and proven, or straight across a reading with nothing left to ask. */
export function callable({ evidence, ranked, uncovered, failing, proposed }: DecisionInput): Ranked | undefined {
  const { criteria } = evidence.situation;
  const find = (least: number, among: (fault: FaultName) => boolean = () => true): Ranked | undefined =>
    ranked.find(
      ({ fault, probability }) =>
        isCallable(fault) && probability >= least && among(fault) && proofOf(fault, evidence).proven,
    );
  const isAcross = (fault: FaultName): boolean => failing.some(({ faults }) => faults.includes(fault));
  const sure =
    find(criteria.callProbability) ??
    find(threshold('across'), (fault) => isAcross(fault) && !hasOpenRival(fault, evidence, failing)) ??
    callablePart(evidence, ranked) ??
    callablePath(evidence, ranked, failing);
  if (sure) return sure;
  // read twice and failed twice: whatever else was read does not outvote it
  const isTwice = (fault: FaultName): boolean =>
    failing.some(({ faults, isRepeated }) => isRepeated && faults.includes(fault));
  const twice = failing.some(({ isRepeated }) => isRepeated) ? find(0, isTwice) : undefined;
  if (twice || uncovered.length > 0 || proposed().length > 0) return twice;
  // nothing that was only seen or said is called as likely as not
  return find(failing.length > 0 ? EVEN_ODDS : threshold('likely'));
}

/** The path that fails holds something of another part as well, as likely as not: it is halved before either is blamed. */
function hasOpenRival(fault: FaultName, { situation, probability }: Evidence, failing: readonly Failure[]): boolean {
  const part = partOf(fault, situation);
  return failing.some(
    ({ faults }) =>
      faults.includes(fault) &&
      faults.some(
        (rival) =>
          probability[rival] >= threshold('unlikely') &&
          partOf(rival, situation) !== part &&
          canBeHalvedBy(rival, situation),
      ),
  );
}

/**
 * A part that is called for whichever of its faults it is: a worn battery and one with a dead cell look alike
 * and are replaced alike. They compete for the same evidence, so that their probabilities add. The most probable
 * of them gives the decision its name.
 */
function callablePart(evidence: Evidence, ranked: readonly Ranked[]): Ranked | undefined {
  const { situation } = evidence;
  const isProven = ({ fault }: Ranked): boolean => isCallable(fault) && proofOf(fault, evidence).proven;
  const shared = (part: Part | null): number =>
    ranked
      .filter((entry) => isReplaced(part) && partOf(entry.fault, situation) === part && isProven(entry))
      .reduce((sum, { probability }) => sum + probability, 0);
  return ranked.find(
    (entry) =>
      entry.probability >= EVEN_ODDS &&
      isProven(entry) &&
      shared(partOf(entry.fault, situation)) >= situation.criteria.callProbability,
  );
}

/**
 * A path that fails is repaired whichever piece of it is bad, once nothing is left to halve it by: the faults in it
 * compete for the same reading, so that their probabilities add.
 */
function callablePath(evidence: Evidence, ranked: readonly Ranked[], failing: readonly Failure[]): Ranked | undefined {
  const { situation, probability } = evidence;
  for (const { faults } of failing) {
    const likely = faults.filter((fault) => probability[fault] >= threshold('unlikely'));
    const isOnePart = new Set(faults.map((fault) => partOf(fault, situation))).size === 1;
    const together = faults.reduce((sum, fault) => sum + probability[fault], 0);
    if (!isOnePart || together < situation.criteria.callProbability) continue;
    if (likely.some((fault) => canBeHalvedBy(fault, situation))) continue;
    const found = ranked.find(({ fault }) => likely.includes(fault) && proofOf(fault, evidence).proven);
    if (found) return found;
  }
  return undefined;
}

/** The test that lies straight across this fault alone can still be read. */
function canBeHalvedBy(fault: FaultName, situation: Situation): boolean {
  const { where } = FAULTS[fault];
  return where !== undefined && isOpen(where, stepOf(where)!, situation);
}
