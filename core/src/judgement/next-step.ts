/** What to do next: the step that is expected to settle most per minute of work. */
import { loadTestAmps } from '../battery/rating';
import type { NextStep, StepName } from '../case/judgement-shape';
import { isObservationName, isTestName } from '../case/vocabulary';
import type { FaultName } from '../case/vocabulary';
import { STEPS } from './step-table';
import type { StepRow } from './step-table';
import type { Evidence, ProofState } from './proof';
import { isCharged } from './proof';
import { latest, notPossible, observed } from './situation';
import type { Situation } from './situation';

/** Uncertainty of a probability, bits. */
const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/** What one step still missing from the leading fault's proof is worth, bits. */
const PROOF_VALUE = 1.2;
/** What covering one of the complaint's basic tests is worth, bits. */
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
  const ranked = (Object.entries(STEPS) as [StepName, StepRow][])
    .filter(([name, row]) => isOpen(name, row, situation))
    .map(([name, row]) => {
      const information = row.informs.reduce(
        (sum, [fault, strength]) => sum + entropy(probability[fault]) * strength,
        0,
      );
      const forProof = leading && leading.proof.missing.includes(name) ? PROOF_VALUE * leading.probability : 0;
      const forCoverage = uncovered.includes(name) ? COVERAGE_VALUE : 0;
      return { name, row, worth: (information + forProof + forCoverage) / (row.minutes + 0.5), forProof, forCoverage };
    })
    .sort((a, b) => b.worth - a.worth);
  return ranked
    .filter(({ worth }) => worth > 0.01)
    .slice(0, 5)
    .map(({ name, row, forProof, forCoverage }) =>
      step(
        name,
        forProof > 0.4 ? row.settles : forCoverage > 0 ? `${row.settles} The complaint asks for it.` : row.settles,
        situation,
      ),
    );
}

/** Not done, possible, and not void or unsafe in the present state. */
function isOpen(name: StepName, row: StepRow, situation: Situation): boolean {
  if (isObservationName(name) && observed(situation, name) !== undefined) return false;
  if (isTestName(name)) {
    const done =
      situation.readings.some((reading) => reading.test === name && (!row.variant || row.variant(reading))) ||
      notPossible(situation, name);
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
