/** Seventh stage: which excuses still stand between a fault and its verdict. */
import { PATH_TESTS, isPartOf, isPathTest } from '../../circuit/paths';
import type { FaultName, StepName } from '../../format/names';
import { EXCUSES } from '../../trade/excuses';
import type { ExcuseName } from '../../trade/excuses';
import { FAULTS, isTestName, stepOf } from '../../trade/tables';
import { notPossible } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { isTaken } from './is-taken';
import type { WeighedCase } from '../../evidence/derived-case';

/** What still stands between a fault and its verdict. */
export interface ProofState {
  readonly proven: boolean;
  /** One step for each excuse that is left: the quickest that is still possible. */
  readonly missing: readonly StepName[];
  readonly excuses: readonly ExcuseName[];
}

/** A weighed case, with the proof of every fault; each is worked out when it is first asked for, and once. */
export interface ProvenCase extends WeighedCase {
  readonly proofOf: (fault: FaultName) => ProofState;
}

/** Adds the proof of every fault to a weighed case. */
export function proveCase(weighed: WeighedCase): ProvenCase {
  const proofs = new Map<FaultName, ProofState>();
  const proofOf = (fault: FaultName): ProofState => {
    let proof = proofs.get(fault);
    if (!proof) proofs.set(fault, (proof = findProof(fault, weighed)));
    return proof;
  };
  return { ...weighed, proofOf };
}

/** Which excuses of a fault are left. A step that was not possible is passed over for another way. */
function findProof(fault: FaultName, evidence: WeighedCase): ProofState {
  const own = FAULTS[fault].excuses;
  const left = own.map(({ excuse }) => excuse).filter((excuse) => !EXCUSES[excuse].excluded(evidence));
  return {
    // a fault without excuses is one that is never called: nothing would have been asked
    proven: own.length > 0 && left.length === 0,
    missing: inOneReading(
      [...new Set(left.map((excuse) => quickest(EXCUSES[excuse].steps, evidence.gradedCase)))],
      evidence.gradedCase,
    ),
    excuses: left,
  };
}

/** Pieces of one path that are all asked for are read in one reading across the whole, and by themselves where it fails. */
function inOneReading(missing: readonly StepName[], gradedCase: GradedCase): readonly StepName[] {
  const whole = PATH_TESTS.find(
    (path) =>
      missing.filter((step) => isPathTest(step) && isPartOf(step, path)).length > 1 &&
      isPossible(path, gradedCase) &&
      !isTaken(path, gradedCase),
  );
  if (!whole) return missing;
  const first = missing.findIndex((step) => isPathTest(step) && isPartOf(step, whole));
  return missing
    .map((step, at) => (at === first ? whole : step))
    .filter((step) => !(isPathTest(step) && isPartOf(step, whole)));
}

/** Done, and the excuse is still open: another way comes first. */
const quickest = (steps: readonly StepName[], gradedCase: GradedCase): StepName =>
  steps.find((step) => isPossible(step, gradedCase) && !isTaken(step, gradedCase)) ??
  steps.find((step) => isPossible(step, gradedCase)) ??
  steps[0]!;

function isPossible(step: StepName, gradedCase: GradedCase): boolean {
  if (!isTestName(step)) return true;
  return !notPossible(gradedCase, step) && (stepOf(step)?.when?.(gradedCase) ?? true);
}
