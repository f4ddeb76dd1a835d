/** The middle of the pipeline for one pass: derive → weigh → rank → prove → choose. */
import { threshold } from '../criteria/weights';
import type { GradedCase } from '../evidence/case-context';
import type { DerivedCase } from '../evidence/derived-case';
import type { Finding } from '../evidence/finding';
import type { FaultName, StepName } from '../format/names';
import { FAULT_NAMES } from '../trade/tables';
import { choose } from './decide/choose';
import type { Choice } from './decide/choose';
import { derive } from './derive/derive';
import { failuresOf } from './derive/failures';
import type { Failure } from './derive/failures';
import { coverage } from './propose/coverage';
import type { LeadingFault } from './propose/propose-steps';
import { proveCase } from './prove/prove';
import type { ProvenCase } from './prove/prove';
import { mayDecide } from './rank/part-of';
import { rankFaults } from './rank/rank-faults';
import type { Ranked } from './rank/rank-faults';
import { findingsOf } from './weigh';
import { directReadings } from './rank/direct-readings';

/** What one pass tells, as far as the choice of an action. */
export interface WeighedPass {
  readonly derived: DerivedCase;
  readonly failing: readonly Failure[];
  /** Every fault, the most probable first. */
  readonly ranked: readonly Ranked[];
  readonly provenCase: ProvenCase;
  readonly uncovered: readonly StepName[];
  readonly impossible: readonly StepName[];
  /** The most probable fault that may be called, with what its proof still lacks. */
  readonly leading: LeadingFault | null;
  readonly choice: Choice;
}

/** @param gradedCase One pass, graded. */
export function weighPass(gradedCase: GradedCase): WeighedPass {
  const derived: DerivedCase = { gradedCase, figures: derive(gradedCase) };
  const failing = failuresOf(derived);
  const ranked = rankedBy(findingsOf(derived, failing), failing);
  const provenCase = proveCase({ ...derived, probability: probabilities(ranked) });
  const { uncovered, impossible } = coverage(gradedCase);
  const choice = choose({ provenCase, ranked, failing, uncovered });
  const leading = leadingFault(choice.first ? [choice.first] : ranked, provenCase);
  return { derived, failing, ranked, provenCase, uncovered, impossible, leading, choice };
}

/** What lies straight across a fault is heard last, with all that speaks against it known. */
function rankedBy(findings: readonly Finding[], failing: readonly Failure[]): readonly Ranked[] {
  const ranked = rankFaults(findings);
  const direct = directReadings(failing, ranked);
  return direct.length === 0 ? ranked : rankFaults([...findings, ...direct]);
}

const NOTHING = Object.fromEntries(FAULT_NAMES.map((fault) => [fault, 0])) as Record<FaultName, number>;

function probabilities(ranked: readonly Ranked[]): Readonly<Record<FaultName, number>> {
  const probability = { ...NOTHING }; // every key at once keeps the object fast
  for (const entry of ranked) probability[entry.fault] = entry.probability;
  return probability;
}

function leadingFault(ranked: readonly Ranked[], provenCase: ProvenCase): LeadingFault | null {
  const first = ranked.find(({ fault }) => mayDecide(fault, provenCase.gradedCase));
  return first && first.probability > threshold('suspected')
    ? { fault: first.fault, probability: first.probability, proof: provenCase.proofOf(first.fault) }
    : null;
}
