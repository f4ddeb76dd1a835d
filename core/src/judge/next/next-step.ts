/** Ninth stage: the steps that are expected to settle most per minute of work, what is at one place together. */
import type { FaultName, StepName, TestName } from '../../format/names';
import type { ReadingConditions } from '../../trade/conditions';
import { HEALTH_TESTS } from '../../trade/health-tests';
import { isCrankingPath, isPathTest } from '../../trade/paths';
import { OBSERVATION_NAMES, TESTS, TEST_NAMES, isTestName, stepOf } from '../../trade/tables';
import type { Step as StepRow } from '../../trade/step';
import type { Said } from '../../words/phrases';
import type { Evidence } from '../prove/evidence';
import type { ProofState } from '../prove/prove';
import { batteryUnits, isTried, readingsOf } from '../situation';
import type { Situation } from '../situation';
import { disagreeing } from '../derive/health';
import { isFlowUnknown, isStill } from '../weigh/flow';
import { canRead, isOpen } from './is-open';
import { missingUnits } from './missing-units';

/** A step to take. */
export interface Step {
  readonly test: StepName;
  readonly because: Said;
  readonly minutes: number;
  readonly conditions: ReadingConditions;
  readonly battery?: number;
}

/** Doubt about a fault, 0 to 1: its variance, which unlike entropy makes little of what is merely not excluded. */
const doubt = (p: number): number => 4 * p * (1 - p);

/** What one step still missing from the leading fault's proof is worth, in doubts. */
const PROOF_VALUE = 1.2;
/** What covering one of the complaint's basic tests is worth: a premature “nothing found” sends a fault home. */
const COVERAGE_VALUE = 0.5;
/** What another reading of two that contradict each other is worth. */
const CONTRADICTION_VALUE = 0.8;
/** Steps proposed at once; minutes of setting up that every step costs; worth under which a step is not asked for. */
const MOST_STEPS = 5;
const SETTING_UP = 0.5;
const LEAST_WORTH = 0.02;
/** Minutes of a charge with what belongs to it, and of a look at the label. */
const CHARGE_MINUTES = 5;
const LABEL_MINUTES = 1;

export interface NextInput {
  readonly evidence: Evidence;
  /** The fault that leads, and what its proof still lacks. */
  readonly leading: { readonly fault: FaultName; readonly probability: number; readonly proof: ProofState } | null;
  /** Basic tests that the complaint asks for and nobody has done. */
  readonly uncovered: readonly StepName[];
}

interface RankedStep {
  readonly name: StepName;
  readonly row: StepRow;
  /** Doubts settled per minute. */
  readonly worth: number;
  /** The complaint asks for it, more than anything else does. */
  readonly isAsked: boolean;
}

const ROWS: readonly (readonly [StepName, StepRow])[] = [...TEST_NAMES, ...OBSERVATION_NAMES].map((name) => [
  name,
  stepOf(name)!,
]);

/** Ranks the steps that are open now, best first; steps at the place of the best one follow it. */
export function nextSteps({ evidence, leading, uncovered }: NextInput): readonly Step[] {
  const { situation, probability } = evidence;
  if (situation.labelDoubt && leading?.proof.missing.includes('label'))
    return [{ test: 'label', because: situation.labelDoubt, minutes: LABEL_MINUTES, conditions: {} }];
  const isRestingOpen = situation.resting === null || missingUnits('resting-voltage', situation).length > 0;
  if (isRestingOpen && canRead('resting-voltage', situation))
    return [stepAs('resting-voltage', { code: 'resting-first', with: {} }, situation)];
  const again = contradicting(situation);
  const apart = waysApart(evidence);
  const ranked: RankedStep[] = [];
  for (const [name, row] of ROWS) {
    const forProof = leading?.proof.missing.includes(name) ? PROOF_VALUE * leading.probability : 0;
    const forCoverage = uncovered.includes(name) ? COVERAGE_VALUE : 0;
    const forAgain = again.has(name) || (apart && isHealthTest(name)) ? CONTRADICTION_VALUE : 0;
    if (row.informs.length === 0 && forProof + forCoverage + forAgain === 0) continue;
    if (!isOpen(name, row, situation)) continue;
    let information = 0;
    for (const [fault, strength] of row.informs) information += doubt(probability[fault]) * strength;
    const worth = (information + forProof + forCoverage + forAgain) / (row.minutes + SETTING_UP);
    if (worth > LEAST_WORTH) ranked.push({ name, row, worth, isAsked: forCoverage > 0 && forProof <= forCoverage });
  }
  ranked.sort((a, b) => b.worth - a.worth);
  return together(ranked.slice(0, MOST_STEPS)).map(({ name, isAsked }) =>
    stepAs(name, reasonOf(name, isAsked, apart, situation), situation),
  );
}

function reasonOf(name: StepName, isAsked: boolean, apart: Said | null, situation: Situation): Said {
  if (apart && isHealthTest(name)) return apart;
  if (name === 'starter-draw' && isFlowUnknown(situation)) return { code: 'jam-or-open', with: {} };
  if (isCrankingPath(name) && isStill(situation)) return { code: 'finds-what-is-open', with: {} };
  return { code: isAsked ? 'settles-and-asked' : 'settles', with: { step: name } };
}

const HEALTH: ReadonlySet<StepName> = new Set(HEALTH_TESTS);
const isHealthTest = (name: StepName): boolean => HEALTH.has(name);

/** Two ways to a battery's health that disagree: a third is asked for, and both figures are told. */
function waysApart({ situation, figures: { ways } }: Evidence): Said | null {
  for (const battery of batteryUnits(situation)) {
    const pair = disagreeing(ways, battery);
    if (!pair) continue;
    const [low, high] = pair.map(({ way, health }) => ({ way, health }));
    return { code: 'ways-disagree', with: { low, high, ...(battery !== undefined && { battery }) } };
  }
  return null;
}

/** The best step first, then those at its place, then the rest: nobody walks round the vehicle twice. */
function together(ranked: readonly RankedStep[]): readonly RankedStep[] {
  const [first, ...rest] = ranked;
  if (!first) return [];
  const isHere = ({ row }: RankedStep): boolean => row.place === first.row.place;
  return [first, ...rest.filter(isHere), ...rest.filter((entry) => !isHere(entry))];
}

/** Both readings of a contradiction are asked for once more. */
function contradicting({ case: { readings }, graded, pass }: Situation): ReadonlySet<StepName> {
  const tried = readings.filter(
    (reading) =>
      isPathTest(reading.test) && isTried(reading, pass) && reading.value !== null && !graded.has(reading.id),
  );
  return new Set(tried.map(({ test }) => test));
}

/** A step with its conditions filled in, and the battery of a pack it is for. */
export function stepAs(test: StepName, because: Said, situation: Situation): Step {
  const minutes = stepOf(test)?.minutes ?? (test === 'charge' ? CHARGE_MINUTES : LABEL_MINUTES);
  if (!isTestName(test)) return { test, because, minutes, conditions: {} };
  const battery = batteryFor(test, situation);
  return {
    test,
    because,
    minutes,
    conditions: TESTS[test].asked?.(situation) ?? {},
    ...(battery !== undefined && { battery }),
  };
}

/** Of a pack the next battery that has no reading of this test; the first where none has. */
function batteryFor(test: TestName, situation: Situation): number | undefined {
  const { count = 1 } = situation.case.system.battery;
  if (count < 2 || !TESTS[test].places[0].perBattery) return undefined;
  return missingUnits(test, situation)[0] ?? (readingsOf(situation, test).length === 0 ? 1 : undefined);
}

/** Minutes of a charge as it is counted among the steps. */
export const chargeStep = (situation: Situation, battery: number | undefined): Step => ({
  ...stepAs('charge', { code: 'charge-then-read', with: { ...(battery !== undefined && { battery }) } }, situation),
  ...(battery !== undefined && { battery }),
});
