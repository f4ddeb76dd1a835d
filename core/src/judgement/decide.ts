import type { Decision, NextStep, RankedFault, StepName } from '../case/judgement-shape';
import { FAULTS } from '../case/vocabulary';
import type { FaultName, Part } from '../case/vocabulary';
import { formatProbability, formatShare } from '../quantities/format';
import { whyStop } from './cautions';
import { deadAfterCharge, isCharged, proofOf } from './proof';
import type { Evidence } from './proof';
import { nameOf } from './wording';
import type { Situation } from './situation';

export interface DecisionInput {
  readonly evidence: Evidence;
  readonly faults: readonly RankedFault[];
  readonly uncovered: readonly StepName[];
  /** The steps that are open now, worked out only where they matter. */
  readonly proposed: () => readonly NextStep[];
}

/** Under this nothing is suspected any more. */
const EXCUSED = 0.3;
/** Nothing is found only where no fault at all is this probable: many small doubts are one large one. */
const SOUND = 0.5;
/** With every useful test done, a proven fault above this is called all the same. */
const LIKELY = 0.7;

/** Faults that are put right by a new part; the others by a repair. */
const REPLACED: ReadonlySet<Part> = new Set(['battery', 'starter', 'alternator', 'belt']);

/** The part a fault belongs to in this vehicle. */
export function partOfFault(fault: FaultName, { regulation }: Situation): Part | null {
  return fault === 'regulator-high' && regulation === 'commanded' ? 'control' : FAULTS[fault].part;
}

/** Of a pack: which battery it is, and that batteries in parallel go together. */
function packWords({ evidence }: RankedFault, { case: { system }, readings }: Situation): string {
  const { count = 1, arrangement } = system.battery;
  if (count < 2) return '';
  const against = new Set(evidence.filter(({ weight }) => weight > 0).map(({ reading }) => reading));
  const weak = new Set(readings.filter(({ id }) => against.has(id)).map(({ battery }) => battery));
  const [only] = weak.size === 1 ? [...weak] : [];
  return [
    ...(only === undefined ? [] : [` It is battery ${only}.`]),
    ...(arrangement === 'parallel' ? [` Batteries in parallel are replaced together: all ${count}.`] : []),
  ].join('');
}

/** The one thing to do now. */
export function decide({ evidence, faults, uncovered, proposed }: DecisionInput): Decision {
  const { situation } = evidence;
  const stop = whyStop(situation);
  if (stop) return { action: 'stop', part: null, fault: null, because: stop.because };

  const callable = (least: number): RankedFault | undefined =>
    faults.find(
      ({ fault, probability }) =>
        fault !== 'none' && fault !== 'battery-discharged' && probability >= least && proofOf(fault, evidence).proven,
    );
  const exhausted = (): boolean => uncovered.length === 0 && proposed().length === 0;
  const called = callable(situation.criteria.callProbability) ?? (exhausted() ? callable(LIKELY) : undefined);
  if (called) {
    const part = partOfFault(called.fault, situation);
    const replace = part !== null && REPLACED.has(part);
    const strongest = called.evidence.find(({ weight }) => weight > 0);
    return {
      action: replace ? 'replace' : 'repair',
      part,
      fault: called.fault,
      because: `${nameOf(called.fault)}, ${formatProbability(called.probability)} probable${strongest ? `: ${strongest.says}` : ''}. Its excuses are tested and excluded.${part === 'battery' ? packWords(called, situation) : ''}`,
    };
  }
  if (situation.charge !== null && !isCharged(situation) && !deadAfterCharge(situation))
    return {
      action: 'charge-first',
      part: 'battery',
      fault: 'battery-discharged',
      because: `The battery is ${formatShare(situation.charge)} charged; below ${formatShare(situation.criteria.minimumCharge)} no load or cranking reading can condemn anything. Charge first, then repeat.`,
    };
  const suspect = faults.find(({ fault }) => fault !== 'none' && fault !== 'battery-discharged');
  const suspected = suspect !== undefined && suspect.probability >= EXCUSED;
  if (uncovered.length === 0 && !suspected && (evidence.probability.none >= SOUND || proposed().length === 0))
    return {
      action: 'none-found',
      part: null,
      fault: 'none',
      because:
        'The tests that the complaint asks for are done and lie within their limits: nothing in this system needs a part.',
    };
  const first = proposed()[0];
  const missing = suspected ? proofOf(suspect.fault, evidence).excuses : [];
  return {
    action: 'test-next',
    part: null,
    fault: suspected ? suspect.fault : null,
    because: suspected
      ? `${nameOf(suspect.fault)} leads with ${formatProbability(suspect.probability)}${missing[0] ? `, but ${missing[0]}` : ''}.`
      : first
        ? first.because
        : 'No test that is possible now would settle it.',
  };
}
