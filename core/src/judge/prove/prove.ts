/** Seventh stage: which excuses still stand between a fault and its verdict. */
import type { FaultName, StepName } from '../../format/names';
import { EXCUSES } from '../../trade/excuses';
import type { ExcuseName } from '../../trade/excuses';
import { FAULTS, isTestName, stepOf } from '../../trade/tables';
import { notPossible } from '../situation';
import type { Situation } from '../situation';
import type { Evidence } from './evidence';

/** What still stands between a fault and its verdict. */
export interface ProofState {
  readonly proven: boolean;
  /** One step for each excuse that is left: the quickest that is still possible. */
  readonly missing: readonly StepName[];
  readonly excuses: readonly ExcuseName[];
}

/** Which excuses of a fault are left. A step that was not possible is passed over for another way. */
export function proofOf(fault: FaultName, evidence: Evidence): ProofState {
  let proof = evidence.proofs.get(fault);
  if (!proof) evidence.proofs.set(fault, (proof = findProof(fault, evidence)));
  return proof;
}

function findProof(fault: FaultName, evidence: Evidence): ProofState {
  const own = FAULTS[fault].excuses;
  const left = own.map(({ excuse }) => excuse).filter((excuse) => !EXCUSES[excuse].excluded(evidence));
  return {
    // a fault without excuses is one that is never called: nothing would have been asked
    proven: own.length > 0 && left.length === 0,
    missing: [...new Set(left.map((excuse) => quickest(EXCUSES[excuse].steps, evidence.situation)))],
    excuses: left,
  };
}

const quickest = (steps: readonly StepName[], situation: Situation): StepName =>
  steps.find((step) => isPossible(step, situation)) ?? steps[0]!;

function isPossible(step: StepName, situation: Situation): boolean {
  if (!isTestName(step)) return true;
  return !notPossible(situation, step) && (stepOf(step)?.when?.(situation) ?? true);
}
