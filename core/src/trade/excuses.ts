/**
 * Excuses: what else could give the readings that speak for a fault, the steps that would exclude it, and
 * when it is excluded. An excuse is excluded by readings, never by their absence. With each fault stands which
 * excuses it has and the mechanism of each.
 */
import type { FaultName, ObservationName, StepName } from '../format/names';
import { threshold } from '../criteria/evidence';
import { isDeadAfterCharge, hasDeadCellVolts } from '../judge/derive/charge';
import { pathIsGood } from '../judge/derive/path-is-good';
import { isOutside } from '../judge/grade/limit-of';
import { isCharged, latest, notPossible, observed, readingsOf } from '../judge/situation';
import type { Situation } from '../judge/situation';
import { NO_FLOW_AMPS } from '../judge/weigh/flow';
import type { Evidence } from '../judge/prove/evidence';
import type { PathTest } from './paths';
import type { TestName } from '../format/names';

/** Tests of a battery's health by different ways. */
const HEALTH_TESTS = ['load-test', 'conductance', 'internal-resistance'] as const;

interface ExcuseRow {
  /** What may be so instead, as the end of a sentence. */
  readonly says: string;
  /** Steps that would exclude it, the quickest first. */
  readonly steps: readonly StepName[];
  readonly excluded: (evidence: Evidence) => boolean;
}

/** Draw under this share of the usual one: nothing holds the engine. */
const EASY_DRAW = 0.85;

const has = (situation: Situation, ...tests: readonly TestName[]): boolean =>
  tests.some((test) => latest(situation, test) !== undefined);
const fails = (situation: Situation, test: TestName): boolean =>
  readingsOf(situation, test).some((reading) => isOutside(situation, reading));
const seen =
  (about: ObservationName, ...findings: readonly string[]) =>
  ({ situation }: Evidence): boolean =>
    findings.includes(observed(situation, about) ?? '');

/** A spread of gravity, conductance, or volts lost while disconnected tell on a battery that is not charged too. */
const carriesOwnProof = (situation: Situation): boolean =>
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
const goodPath =
  (test: PathTest, fault: FaultName) =>
  ({ situation, probability }: Evidence): boolean =>
    pathIsGood(situation, test) || (isSlight(situation, test) && probability[fault] < threshold('slight'));

const measuredAcross = (...tests: readonly PathTest[]): ExcuseRow => ({
  says: 'the drop has not been measured across it',
  steps: tests,
  excluded: ({ situation }) => has(situation, ...tests),
});

const noCurrent = (situation: Situation): boolean =>
  (latest(situation, 'starter-draw')?.value ?? Infinity) < NO_FLOW_AMPS;

export const EXCUSES = {
  'battery-flat': {
    says: 'the battery may only be flat',
    steps: ['charge'],
    excluded: ({ situation }) => isCharged(situation) || carriesOwnProof(situation),
  },
  'health-not-measured': {
    says: 'its health has not been measured',
    steps: ['conductance', 'load-test', 'internal-resistance'],
    excluded: ({ situation, figures }) => figures.ways.length > 0 || carriesOwnProof(situation),
  },
  'label-doubted': {
    says: 'the label’s rating does not fit the battery or the engine',
    steps: ['label'],
    excluded: ({ situation }) => situation.labelDoubt === null || carriesOwnProof(situation),
  },
  'one-test-may-err': {
    says: 'one failed test may be a slip: it counts with a repeat after a full charge, or with a second kind of test',
    steps: ['load-test', 'conductance', 'internal-resistance'],
    excluded: ({ situation, figures }) => {
      if (fails(situation, 'specific-gravity') || fails(situation, 'hold-charge')) return true;
      if (new Set(figures.ways.map(({ way }) => way)).size >= 2) return true;
      const load = readingsOf(situation, 'load-test');
      if (load.length >= 2 || (load[0]?.conditions?.attempt ?? 1) >= 2) return true;
      return HEALTH_TESTS.every((test) => has(situation, test) || notPossible(situation, test));
    },
  },
  'cell-not-shown': {
    says: 'no reading has shown the cell yet',
    steps: ['specific-gravity', 'hold-charge', 'conductance', 'load-test'],
    excluded: ({ situation }) =>
      carriesOwnProof(situation) || has(situation, 'hold-charge', 'conductance', 'load-test'),
  },
  'flat-looks-dead': {
    says: 'a flat battery can look like a dead cell',
    steps: ['charge', 'specific-gravity', 'conductance'],
    excluded: ({ situation }) => isCharged(situation) || carriesOwnProof(situation),
  },
  'battery-not-proven': {
    says: 'the battery is not proven good',
    steps: ['resting-voltage', 'conductance', 'load-test'],
    excluded: ({ situation, figures, probability }) =>
      isCharged(situation) &&
      figures.ways.length > 0 &&
      probability['battery-worn'] < threshold('unlikely') &&
      probability['battery-dead-cell'] < threshold('unlikely'),
  },
  'draw-not-known': {
    says: 'nobody has read what it draws',
    steps: ['starter-draw'],
    excluded: ({ situation }) => has(situation, 'starter-draw'),
  },
  'positive-side': {
    says: 'the positive side may be losing the volts',
    steps: ['drop-starter-positive'],
    excluded: ({ situation, probability }) =>
      has(situation, 'drop-starter-positive') &&
      probability['cable-starter-positive'] < threshold('unlikely') &&
      probability['connection-positive-post'] < threshold('unlikely'),
  },
  'ground-side': {
    says: 'the ground side may be losing the volts',
    steps: ['drop-starter-ground'],
    excluded: (evidence) =>
      goodPath('drop-starter-ground', 'cable-starter-ground')(evidence) ||
      (noCurrent(evidence.situation) && has(evidence.situation, 'drop-starter-ground')),
  },
  'positive-side-not-tried': {
    says: 'the positive side has not been looked at',
    steps: ['drop-starter-positive'],
    excluded: ({ situation }) => wasTried(situation, 'drop-starter-positive'),
  },
  'ground-side-not-tried': {
    says: 'the ground side has not been looked at',
    steps: ['drop-starter-ground'],
    excluded: ({ situation }) => wasTried(situation, 'drop-starter-ground'),
  },
  'not-told-to-crank': {
    says: 'the solenoid may not be told to work',
    steps: ['starter-control-voltage'],
    excluded: ({ situation, probability }) =>
      has(situation, 'starter-control-voltage') && probability['starter-control'] < threshold('unlikely'),
  },
  'something-holds-it': {
    says: 'the engine or an accessory may be holding it',
    steps: ['crank-by-hand', 'belt-removed-crank'],
    excluded: ({ situation, figures: { drawRatio } }) => {
      const byHand = observed(situation, 'crank-by-hand');
      return byHand === 'turns' || (byHand === undefined && drawRatio !== null && drawRatio < EASY_DRAW);
    },
  },
  'accessory-holds-it': {
    says: 'a belt-driven accessory may be seized',
    steps: ['belt-removed-crank'],
    excluded: seen('belt-removed-crank', 'unchanged'),
  },
  'not-turned-by-hand': {
    says: 'nobody has turned the engine by hand',
    steps: ['crank-by-hand'],
    excluded: ({ situation }) => observed(situation, 'crank-by-hand') !== undefined,
  },
  'belt-not-off': {
    says: 'the belt has not been taken off',
    steps: ['belt-removed-crank'],
    excluded: ({ situation }) => observed(situation, 'belt-removed-crank') !== undefined,
  },
  'belt-slips': { says: 'the belt may slip', steps: ['belt'], excluded: seen('belt', 'good') },
  'belt-not-seen': {
    says: 'nobody has looked at the belt',
    steps: ['belt'],
    excluded: ({ situation }) => observed(situation, 'belt') !== undefined,
  },
  'output-path-open': {
    says: 'the output path may be open',
    steps: ['alternator-stud-voltage'],
    excluded: ({ situation }) =>
      pathIsGood(situation, 'alternator-stud-voltage') || pathIsGood(situation, 'drop-charge-positive'),
  },
  'not-told-to-charge': {
    says: 'the alternator may not be told to charge',
    steps: ['excitation-voltage', 'field-duty'],
    excluded: ({ situation, probability }) =>
      has(situation, 'excitation-voltage', 'field-duty') && probability['charge-control'] < threshold('unlikely'),
  },
  'sense-wire': {
    says: 'the regulator may see too little through a bad sense connection',
    steps: ['excitation-voltage'],
    excluded: ({ situation }) => has(situation, 'excitation-voltage') && !fails(situation, 'excitation-voltage'),
  },
  'charging-cable': {
    says: 'the charging cable may be losing the volts',
    steps: ['drop-charge-positive'],
    excluded: goodPath('drop-charge-positive', 'charge-cable-positive'),
  },
  'alternator-ground': {
    says: 'the alternator’s ground may be losing the volts',
    steps: ['drop-charge-ground'],
    excluded: goodPath('drop-charge-ground', 'charge-cable-ground'),
  },
  'strap-broken': {
    says: 'the ground strap may be broken',
    steps: ['ground-strap'],
    excluded: ({ situation }) =>
      observed(situation, 'ground-strap') === 'sound' || pathIsGood(situation, 'drop-charge-ground'),
  },
  'ripple-one-way': {
    says: 'a meter that lets DC through, or a poor battery connection, shows ripple of a sound alternator',
    steps: ['ripple-waveform', 'diode-reverse', 'alternator-current'],
    excluded: ({ situation }) =>
      (['ripple-ac', 'ripple-waveform', 'diode-forward', 'diode-reverse', 'alternator-current'] as const).filter(
        (test) => readingsOf(situation, test).some(({ value }) => value !== null),
      ).length >= 2,
  },
  'volts-seen-once': {
    says: 'one reading of one meter may be wrong',
    steps: ['charging-voltage', 'module-voltage'],
    excluded: ({ situation }) =>
      readingsOf(situation, 'charging-voltage').filter((reading) => isOutside(situation, reading)).length >= 2 ||
      (situation.case.complaint?.symptoms ?? []).some(
        (symptom) => symptom === 'bright-lamps' || symptom === 'battery-smell',
      ),
  },
  'positive-post-not-measured': measuredAcross('drop-positive-post'),
  'negative-post-not-measured': measuredAcross('drop-negative-post'),
  'positive-cable-not-measured': measuredAcross('drop-starter-positive'),
  'starting-ground-not-measured': measuredAcross('drop-starter-ground', 'drop-engine-ground'),
  'contacts-not-measured': measuredAcross('drop-solenoid'),
  'alternator-ground-not-measured': measuredAcross('drop-charge-ground'),
  'body-ground-not-measured': measuredAcross('drop-body-ground'),
  'charging-path-not-measured': {
    says: 'the path has not been measured',
    steps: ['drop-charge-positive', 'alternator-stud-voltage'],
    excluded: ({ situation }) =>
      has(situation, 'drop-charge-positive') ||
      fails(situation, 'alternator-stud-voltage') ||
      observed(situation, 'fusible-link') === 'blown',
  },
  'control-not-measured': {
    says: 'the control voltage has not been read',
    steps: ['starter-control-voltage'],
    excluded: ({ situation }) => has(situation, 'starter-control-voltage'),
  },
  'excitation-not-measured': {
    says: 'the excitation has not been read',
    steps: ['excitation-voltage', 'field-duty'],
    excluded: ({ situation }) => has(situation, 'excitation-voltage', 'field-duty'),
  },
  'drain-not-measured': {
    says: 'the drain has not been measured',
    steps: ['parasitic-draw'],
    excluded: ({ situation }) => has(situation, 'parasitic-draw'),
  },
} as const satisfies Record<string, ExcuseRow>;

export type ExcuseName = keyof typeof EXCUSES;

/** Asked for, whether or not it could be judged: a starter that spins free asks too little for a drop. */
const wasTried = (situation: Situation, test: TestName): boolean =>
  notPossible(situation, test) ||
  situation.case.readings.some(
    (reading) => reading.test === test && (reading.pass ?? 'before') === situation.pass && reading.void === undefined,
  );
