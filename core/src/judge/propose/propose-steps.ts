/** The steps that are open now: the steps that are expected to settle most per minute of work, what is at one place together. */
import { EVEN_ODDS } from '../rank/even-odds';
import { threshold } from '../../criteria/weights';
import { mayDecide, partOf } from '../rank/part-of';
import type { FaultName, StepName, TestName } from '../../format/names';
import type { ReadingConditions } from '../../format/conditions';
import { OBSERVATIONS, TESTS, isObservationName, isTestName, stepOf } from '../../trade/tables';
import type { Message } from '../../format/message';
import type { ProofState, ProvenCase } from '../prove/prove';
import { isCharged, readingsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { isHealthTest } from '../../evidence/health';
import { byUrgency, inVisits, withCurrents } from './in-visits';
import type { RankedStep } from './in-visits';
import { contradicting, reasonOf, waysApart } from './reasons';
import { isAtHand, minutesTo, standingOf } from './standing';
import { engineFor } from './visits';
import { canRead, isOpen, isPieceOfOpenWhole } from './is-open';
import { SETTING_UP_MINUTES, STEP_ROWS } from './step-rows';
import { missingUnits } from './missing-units';
import { message } from '../messages';

/** A step to take. */
export interface Step {
  readonly test: StepName;
  readonly because: Message;
  readonly minutes: number;
  readonly conditions: ReadingConditions;
  readonly battery?: number;
  /** The decision stands without it. */
  readonly optional?: true;
}

/** The fault that leads, and what its proof still lacks. */
export interface LeadingFault {
  readonly fault: FaultName;
  readonly probability: number;
  readonly proof: ProofState;
}

/** Doubt about a fault, 0 to 1: its variance, which unlike entropy makes little of what is merely not excluded. */
const doubt = (p: number): number => 4 * p * (1 - p);

/** What one step still missing from the leading fault's proof is worth, in doubts. */
const PROOF_VALUE = 1.2;
/** The surer the fault, the more its decision waits for its proof alone. */
const proofValue = (p: number): number => (PROOF_VALUE * p) / (1 - p ** 2);

/** What covering one of the complaint's basic tests is worth: a premature “nothing found” sends a fault home. */
const COVERAGE_VALUE = 0.5;
/** What another reading of two that contradict each other is worth. */
const CONTRADICTION_VALUE = 0.8;
/** Steps proposed at once; worth under which a step is not asked for. */
const MAX_STEPS = 5;
const MIN_WORTH = 0.02;
/** Minutes of a charge with what belongs to it, and of a look at the label. */
const CHARGE_MINUTES = 5;
const LABEL_MINUTES = 1;

export interface NextInput {
  readonly provenCase: ProvenCase;
  readonly leading: LeadingFault | null;
  /** Basic tests that the complaint asks for and nobody has done. */
  readonly uncovered: readonly StepName[];
  /** Unread steps that save more than they cost before the decision of least cost is taken. */
  readonly worthwhile: readonly { readonly step: StepName; readonly saves: number }[];
}

/** Ranks the steps that are open now, best first; steps at the place of the best one follow it. */
export function proposeSteps({ provenCase, leading, uncovered, worthwhile }: NextInput): readonly Step[] {
  const { gradedCase, probability } = provenCase;
  if (gradedCase.labelDoubt && leading?.proof.missing.includes('label'))
    return [stepAs('label', gradedCase.labelDoubt, gradedCase)];
  const isRestingOpen = gradedCase.resting === null || missingUnits('resting-voltage', gradedCase).length > 0;
  if (isRestingOpen && canRead('resting-voltage', gradedCase))
    return [stepAs('resting-voltage', message('resting-first', {}), gradedCase)];
  const again = contradicting(gradedCase);
  const apart = waysApart(provenCase);
  const label =
    apart === null && leading && isLabelFirst(leading) && provenCase.figures.ways.length > 0
      ? [labelStep(gradedCase)]
      : [];
  const saved = new Map(worthwhile.map(({ step, saves }) => [step, saves]));
  const standing = standingOf(gradedCase, uncovered);
  const { symptoms = [] } = gradedCase.case.complaint ?? {};
  const isBatterySuspected = leading !== null && partOf(leading.fault, gradedCase) === 'battery';
  const isBatteryProven = isCharged(gradedCase) && provenCase.figures.ways.length > 0 && !isBatterySuspected;
  const ranked: RankedStep[] = [];
  for (const { name, row } of STEP_ROWS) {
    const forProof = leading?.proof.missing.includes(name) ? proofValue(leading.probability) : 0;
    const forCoverage = uncovered.includes(name) ? COVERAGE_VALUE : 0;
    const forAgain = again.has(name) || (apart && isHealthTest(name)) ? CONTRADICTION_VALUE : 0;
    const forDecision = saved.get(name) ?? 0;
    if (row.informs.length === 0 && forProof + forCoverage + forAgain + forDecision === 0) continue;
    if (!isOpen(name, row, gradedCase)) continue;
    // halving begins with the whole
    if (forProof + forDecision + forAgain === 0 && isPieceOfOpenWhole(name, gradedCase)) continue;
    let information = 0;
    for (const [fault, strength] of row.informs)
      if (mayDecide(fault, gradedCase)) information += doubt(probability[fault]) * strength;
    const value = information + forProof + forCoverage + forAgain;
    // what must be read is asked for however long it takes
    const isOwed = forProof + forCoverage > 0;
    if (!isOwed && value / (row.minutes + SETTING_UP_MINUTES) <= MIN_WORTH && forDecision === 0) continue;
    const engine = engineFor(name, gradedCase);
    const minutes = row.minutes + minutesTo(engine, row, standing);
    const isAsked = forCoverage > 0 && forProof <= forCoverage;
    // as good as certain: what its proof lacks comes before every other question
    const isProof = forProof > 0 && leading!.probability >= threshold('directReading');
    const isDue = isBatteryProven && row.dueFor !== undefined && symptoms.includes(row.dueFor);
    ranked.push({
      name,
      row,
      engine,
      worth: value / minutes,
      forDecision: Math.max(0, forDecision),
      isProof,
      isDue,
      isAsked,
      isLook: forCoverage > 0 && standing.isFresh && isObservationName(name) && OBSERVATIONS[name].isLooking,
      isAtHand: isAtHand(name, row, standing, gradedCase),
    });
  }
  ranked.sort(byUrgency);
  const best = withCurrents(ranked, gradedCase).slice(0, MAX_STEPS - label.length);
  const asked = inVisits(best).map(({ name, isAsked }) =>
    stepAs(name, reasonOf(name, isAsked, apart, gradedCase), gradedCase),
  );
  return [...label, ...asked];
}

/**
 * Ten seconds before anything else: the label that the suspicion leans on, of a battery that is as likely as not worn or
 * that nothing else excuses.
 */
const isLabelFirst = ({ probability, proof: { missing } }: LeadingFault): boolean =>
  missing.includes('label') && (probability >= EVEN_ODDS || missing.length === 1);

const labelStep = (gradedCase: GradedCase): Step => stepAs('label', message('label-first', {}), gradedCase);

/** A step with its conditions filled in, and the battery of a pack it is for. */
export function stepAs(test: StepName, because: Message, gradedCase: GradedCase): Step {
  const minutes = stepOf(test)?.minutes ?? (test === 'charge' ? CHARGE_MINUTES : LABEL_MINUTES);
  if (!isTestName(test)) return { test, because, minutes, conditions: {} };
  const battery = batteryFor(test, gradedCase);
  return {
    test,
    because,
    minutes,
    conditions: TESTS[test].asked?.(gradedCase) ?? {},
    ...(battery !== undefined && { battery }),
  };
}

/** Of a pack the next battery that has no reading of this test: one that is suspected first, else the first of them. */
function batteryFor(test: TestName, gradedCase: GradedCase): number | undefined {
  const { count = 1 } = gradedCase.case.system.battery;
  if (count < 2 || !TESTS[test].places[0].perBattery) return undefined;
  const missing = missingUnits(test, gradedCase);
  const suspect = missing.find((unit) => isOutside(unit, gradedCase));
  return suspect ?? missing[0] ?? (readingsOf(gradedCase, test).length === 0 ? 1 : undefined);
}

/** Something that was read of this battery by itself is outside its limit. */
const isOutside = (unit: number, { grades }: GradedCase): boolean =>
  [...grades.values()].some(({ grade, reading }) => grade === 'outside' && reading.battery === unit);

/** Minutes of a charge as it is counted among the steps. @param battery From 1; absent for the pack as connected. */
export const chargeStep = (gradedCase: GradedCase, battery: number | undefined): Step => ({
  ...stepAs('charge', message('charge-then-read', { ...(battery !== undefined && { battery }) }), gradedCase),
  ...(battery !== undefined && { battery }),
});
