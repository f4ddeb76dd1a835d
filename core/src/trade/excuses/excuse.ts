/** What the excuses share: what one is, and the questions they ask of a situation. */
import { threshold } from '../../criteria/evidence';
import type { FaultName, ObservationName, StepName, TestName } from '../../format/names';
import { hasDeadCellVolts, isDeadAfterCharge } from '../../judge/derive/charge';
import { pathIsGood } from '../../judge/derive/path-is-good';
import { isOutside } from '../../judge/grade/limit-of';
import type { Evidence } from '../../judge/prove/evidence';
import { isTried, latest, notPossible, observed, readingsOf } from '../../judge/situation';
import type { Situation } from '../../judge/situation';
import type { PathTest } from '../paths';

export interface ExcuseRow {
  /** What may be so instead, as the end of a sentence. */
  readonly says: string;
  /** Steps that would exclude it, the quickest first. */
  readonly steps: readonly StepName[];
  readonly excluded: (evidence: Evidence) => boolean;
}

export const has = (situation: Situation, ...tests: readonly TestName[]): boolean =>
  tests.some((test) => latest(situation, test) !== undefined);
export const fails = (situation: Situation, test: TestName): boolean =>
  readingsOf(situation, test).some((reading) => isOutside(situation, reading));
export const seen =
  (about: ObservationName, ...findings: readonly string[]) =>
  ({ situation }: Evidence): boolean =>
    findings.includes(observed(situation, about) ?? '');

/** A spread of gravity, conductance, or volts lost while disconnected tell on a battery that is not charged too. */
export const carriesOwnProof = (situation: Situation): boolean =>
  fails(situation, 'specific-gravity') ||
  fails(situation, 'conductance') ||
  fails(situation, 'hold-charge') ||
  (isDeadAfterCharge(situation) && hasDeadCellVolts(situation));

/** A loss over its limit by no more than this is too slight to be the fault by itself. */
const SLIGHTLY_OVER = 1.3;

function isSlight(situation: Situation, test: PathTest): boolean {
  const limit = situation.graded.get(latest(situation, test)?.id ?? '')?.resolved;
  return limit ? limit.value <= limit.max * SLIGHTLY_OVER : false;
}

/** Measured, and either inside its limit or too slight a loss to be the fault. */
export const goodPath =
  (test: PathTest, fault: FaultName) =>
  ({ situation, probability }: Evidence): boolean =>
    pathIsGood(situation, test) || (isSlight(situation, test) && probability[fault] < threshold('slight'));

export const measuredAcross = (...tests: readonly PathTest[]): ExcuseRow => ({
  says: 'the drop has not been measured across it',
  steps: tests,
  excluded: ({ situation }) => has(situation, ...tests),
});

/** Asked for, whether or not it could be judged: a starter that spins free asks too little for a drop. */
export const wasTried = (situation: Situation, test: TestName): boolean =>
  notPossible(situation, test) ||
  situation.case.readings.some((reading) => reading.test === test && isTried(reading, situation.pass));
