/** What the excuses share: what one is, and the questions they ask of a case. */
import { threshold } from '../../criteria/weights';
import type { FaultName, ObservationName, StepName, TestName } from '../../format/names';
import { hasDeadCellVolts, isDeadAfterCharge } from '../../evidence/charge';
import { pathIsGood } from '../../evidence/path-is-good';
import { isOutside } from '../../evidence/limit-of';
import type { WeighedCase } from '../../evidence/derived-case';
import { isTried, latest, notPossible, observed, readingsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import type { PathTest } from '../../circuit/paths';

export interface ExcuseRow {
  /** What it would have been instead, as it stands in a list; absent where nothing was measured yet. */
  readonly cause?: string;
  /** What to do to exclude it, after “First”. */
  readonly first: string;
  /** Steps that would exclude it, the quickest first. */
  readonly steps: readonly StepName[];
  readonly excluded: (evidence: WeighedCase) => boolean;
}

/** True where one of the tests has a valid reading with a figure. */
export const has = (gradedCase: GradedCase, ...tests: readonly TestName[]): boolean =>
  tests.some((test) => latest(gradedCase, test) !== undefined);
/** True where the newest reading of the test lies inside its limit. */
export const passes = (gradedCase: GradedCase, test: TestName): boolean => {
  const reading = latest(gradedCase, test);
  return reading !== undefined && !isOutside(gradedCase, reading);
};
/** True where a valid reading of the test, not only the newest, lies outside its limit. */
export const fails = (gradedCase: GradedCase, test: TestName): boolean =>
  readingsOf(gradedCase, test).some((reading) => isOutside(gradedCase, reading));
export const seen =
  (about: ObservationName, ...findings: readonly string[]) =>
  ({ gradedCase }: WeighedCase): boolean =>
    findings.includes(observed(gradedCase, about) ?? '');

/** A spread of gravity, volts lost while disconnected, or a missing cell: whatever its charge, and whatever its label says. */
export const failsByItself = (gradedCase: GradedCase): boolean =>
  fails(gradedCase, 'specific-gravity') ||
  fails(gradedCase, 'hold-charge') ||
  (isDeadAfterCharge(gradedCase) && hasDeadCellVolts(gradedCase));

/** What tells on a battery that is not charged too: conductance does, but leans on the label. */
export const carriesOwnProof = (gradedCase: GradedCase): boolean =>
  failsByItself(gradedCase) || fails(gradedCase, 'conductance');

/** A loss over its limit by no more than this is too slight to be the fault by itself. */
const SLIGHTLY_OVER = 1.3;

function isSlight(gradedCase: GradedCase, test: PathTest): boolean {
  const limit = gradedCase.grades.get(latest(gradedCase, test)?.id ?? '')?.resolved;
  return limit ? limit.value <= limit.max * SLIGHTLY_OVER : false;
}

/** Measured, and either inside its limit or too slight a loss to be the fault. */
export const goodPath =
  (test: PathTest, fault: FaultName) =>
  ({ gradedCase, probability }: WeighedCase): boolean =>
    pathIsGood(gradedCase, test) || (isSlight(gradedCase, test) && probability[fault] < threshold('suspected'));

/** The excuse that nobody has measured yet: excluded by a reading of one of these drops. */
export const measuredAcross = (...tests: readonly PathTest[]): ExcuseRow => ({
  first: 'measure the drop across it',
  steps: tests,
  excluded: ({ gradedCase }) => has(gradedCase, ...tests),
});

/** Asked for, whether or not it could be judged: a starter that spins free asks too little for a drop. */
export const wasTried = (gradedCase: GradedCase, test: TestName): boolean =>
  notPossible(gradedCase, test) ||
  gradedCase.case.readings.some((reading) => reading.test === test && isTried(reading, gradedCase.pass));
