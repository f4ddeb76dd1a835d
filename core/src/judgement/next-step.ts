/** What to do next: the step that is expected to settle most per minute of work. */
import { loadTestAmps } from '../battery/rating';
import type { NextStep, StepName } from '../case/judgement-shape';
import { isObservationName, isTestName } from '../case/vocabulary';
import type { FaultName, TestName } from '../case/vocabulary';
import { STEPS } from './step-table';
import type { StepRow } from './step-table';
import type { Evidence, ProofState } from './proof';
import { isCharged } from './proof';
import { latest, notPossible, observed, readingsOf } from './situation';
import type { Situation } from './situation';

/** Doubt about a fault, 0 to 1: its variance, which unlike entropy makes little of what is merely not excluded. */
const doubt = (p: number): number => 4 * p * (1 - p);

/** What one step still missing from the leading fault's proof is worth, in doubts. */
const PROOF_VALUE = 1.2;
/** What covering one of the complaint's basic tests is worth, in doubts. */
const COVERAGE_VALUE = 0.5;

export interface NextInput {
  readonly evidence: Evidence;
  /** The fault that leads, and what its proof still lacks. */
  readonly leading: { readonly fault: FaultName; readonly probability: number; readonly proof: ProofState } | null;
  /** Basic tests that the complaint asks for and nobody has done. */
  readonly uncovered: readonly StepName[];
}

/** Ranks the steps that are open now, best first. */
export function nextSteps({ evidence, leading, uncovered }: NextInput): readonly NextStep[] {
  const { situation, probability } = evidence;
  if (situation.resting === null && !notPossible(situation, 'resting-voltage'))
    return [step('resting-voltage', 'Everything leans on the resting voltage: battery first.', situation)];
  const ranked: RankedStep[] = [];
  for (const [name, row] of ROWS) {
    if (!isOpen(name, row, situation)) continue;
    let information = 0;
    for (const [fault, strength] of row.informs) information += doubt(probability[fault]) * strength;
    const forProof = leading && leading.proof.missing.includes(name) ? PROOF_VALUE * leading.probability : 0;
    const forCoverage = uncovered.includes(name) ? COVERAGE_VALUE : 0;
    const worth = (information + forProof + forCoverage) / (row.minutes + SETTING_UP);
    if (worth > LEAST_WORTH) ranked.push({ name, row, worth, isAsked: forCoverage > 0 && forProof <= forCoverage });
  }
  return ranked
    .sort((a, b) => b.worth - a.worth)
    .slice(0, MOST_STEPS)
    .map(({ name, row, isAsked }) =>
      step(name, isAsked ? `${row.settles} The complaint asks for it.` : row.settles, situation),
    );
}

interface RankedStep {
  readonly name: StepName;
  readonly row: StepRow;
  /** Doubts settled per minute. */
  readonly worth: number;
  /** The complaint asks for it, more than anything else does. */
  readonly isAsked: boolean;
}

const ROWS = Object.entries(STEPS) as readonly (readonly [StepName, StepRow])[];
/** Steps proposed at once; minutes of setting up that every step costs; worth under which a step is not asked for. */
const MOST_STEPS = 5;
const SETTING_UP = 0.5;
const LEAST_WORTH = 0.01;

/** A reading that came out void may be taken once more: then another test must settle it. */
const MOST_TRIES = 2;

/** Charging is read twice, with loads off and on; all else once, or again where it came out void. */
function isDone(name: TestName, situation: Situation): boolean {
  const judged = readingsOf(situation, name);
  if (name === 'charging-voltage')
    return new Set(judged.map(({ conditions }) => conditions?.loads ?? 'off')).size === 2;
  if (judged.length > 0) return true;
  const tried = situation.case.readings.filter(
    ({ test, pass = 'before', void: byHand }) => test === name && pass === situation.pass && byHand === undefined,
  );
  return tried.length >= (name.startsWith('drop-') ? 1 : MOST_TRIES);
}

/** Not done, possible, and not void or unsafe in the present state. */
function isOpen(name: StepName, row: StepRow, situation: Situation): boolean {
  if (isObservationName(name) && observed(situation, name) !== undefined) return false;
  if (isTestName(name)) {
    const done = isDone(name, situation) || notPossible(situation, name);
    if (done) return false;
  }
  if (row.needsCharge && !isCharged(situation)) return false;
  if (row.needsCrank && situation.readings.some((reading) => reading.notPossible === 'did-not-crank')) return false;
  if (
    row.needsEngine &&
    situation.readings.some(
      (reading) => reading.notPossible === 'did-not-start' || reading.notPossible === 'did-not-crank',
    )
  )
    return false;
  if (row.when && !row.when(situation)) return false;
  return true;
}

/** A step with its conditions filled in. */
export function step(test: StepName, because: string, situation: Situation): NextStep {
  return { test, because, minutes: STEPS[test]?.minutes ?? 2, conditions: conditionsOf(test, situation) };
}

function conditionsOf(test: StepName, situation: Situation): Readonly<Record<string, number | string | boolean>> {
  switch (test) {
    case 'resting-voltage':
      return { surfaceChargeRemoved: true };
    case 'load-test':
      return situation.cca === null ? { seconds: 15 } : { amps: Math.round(loadTestAmps(situation.cca)), seconds: 15 };
    case 'cranking-voltage':
      return { method: 'min-max', seconds: 10 };
    case 'charging-voltage':
      return { rpm: 2000, loads: latest(situation, 'charging-voltage') ? 'on' : 'off' };
    case 'ripple-ac':
      return { rpm: 2000, loads: 'on', at: 'battery' };
    case 'alternator-current':
      return { rpm: 2000, loads: 'on', systemVolts: Number((12.6 * situation.scale).toFixed(1)) };
    case 'parasitic-draw':
      return { minutesAsleep: 30 };
    case 'hold-charge':
      return { hours: 12 };
    default:
      return {};
  }
}
