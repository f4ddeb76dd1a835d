/**
 * Proof before condemning: for every fault, the excuses that must be excluded before its part may be
 * called, as a table. An excuse is excluded by readings, never by their absence.
 */
import type { StepName } from '../case/judgement-shape';
import type { FaultName, TestName } from '../case/vocabulary';
import { assess } from './assess';
import type { DerivedFigures } from './derive';
import { cellSpread } from './gravity';
import { fuseHealth } from './findings/battery-findings';
import { closed, pathIsGood } from './findings/path-findings';
import { batteryUnits, latest, notPossible, observed, readingsOf } from './situation';
import type { Situation } from './situation';
import { deadCellVolts } from './void-rules';

/** What the excuses look at. */
export interface Evidence {
  readonly situation: Situation;
  readonly derived: DerivedFigures;
  readonly probability: Readonly<Record<FaultName, number>>;
}

interface Excuse {
  readonly says: string;
  /** Steps that would exclude it, the quickest first. */
  readonly steps: readonly StepName[];
  readonly excluded: (evidence: Evidence) => boolean;
}

const UNLIKELY = 0.35;

const charged: Excuse = {
  says: 'the battery may only be flat',
  steps: ['charge'],
  excluded: ({ situation }) => isCharged(situation) || needsNoCharge(situation),
};

export const isCharged = ({ charge, criteria }: Situation): boolean =>
  charge !== null && charge >= criteria.minimumCharge;

/** A spread of gravity or a ruined health figure tells on a flat battery too. */
function needsNoCharge(situation: Situation): boolean {
  return (
    hasCellSpread(situation) || ruinedConductance(situation) || (deadAfterCharge(situation) && deadCellVolts(situation))
  );
}

function hasCellSpread(situation: Situation): boolean {
  const cells = situation.readings.filter(({ test }) => test === 'specific-gravity').at(-1)?.value;
  return Array.isArray(cells) && cellSpread(cells as readonly number[]) >= 0.05;
}

function ruinedConductance(situation: Situation): boolean {
  const reading = latest(situation, 'conductance');
  return reading !== undefined && assess(reading, situation).grade === 'outside';
}

/** Near 10.5 V at rest although it was charged, or read twice around a charge and low both times. */
export function deadAfterCharge(situation: Situation): boolean {
  const resting = readingsOf(situation, 'resting-voltage');
  if (resting.length >= 2) return deadCellVolts(situation) || !isCharged(situation);
  return deadCellVolts(situation) && (resting.at(-1)?.conditions?.minutesSinceCharge ?? Infinity) < 24 * 60;
}

const healthMeasured: Excuse = {
  says: 'its health has not been measured',
  steps: ['conductance', 'load-test', 'internal-resistance'],
  excluded: ({ situation, derived }) => derived.health.length > 0 || needsNoCharge(situation),
};

const repeated: Excuse = {
  says: 'a failed load test counts only after a full charge and a repeat, or with a second kind of test',
  steps: ['load-test', 'conductance', 'internal-resistance'],
  excluded: ({ situation, derived }) => {
    if (needsNoCharge(situation) || new Set(derived.health.map(({ says }) => says)).size >= 2) return true;
    const load = situation.readings.filter(({ test }) => test === 'load-test');
    const again =
      load.length >= 2 || (load[0]?.conditions?.attempt ?? 1) >= 2 || load[0]?.conditions?.chargedBefore === true;
    return again || derived.health.some(({ says }) => says === 'conductance' || says === 'internal resistance');
  },
};

const batteryProven: Excuse = {
  says: 'the battery is not proven good',
  steps: ['resting-voltage', 'conductance', 'load-test'],
  excluded: ({ situation, derived, probability }) =>
    isCharged(situation) &&
    batteryUnits(situation).some((unit) => fuseHealth(derived, unit) !== null) &&
    probability['battery-worn'] < UNLIKELY &&
    probability['battery-dead-cell'] < UNLIKELY,
};

/** Measured, and either inside its limit or too slight a loss to be the fault. */
const goodPath = (test: TestName, fault: FaultName, says: string): Excuse => ({
  says,
  steps: [test],
  excluded: ({ situation, probability }) =>
    latest(situation, test) !== undefined && (pathIsGood(situation, test) || probability[fault] < SLIGHT),
});
/** A path that is this improbable to be bad is excused by its reading. */
const SLIGHT = 0.2;

const positiveWithoutSolenoid: Excuse = {
  says: 'the positive side may be losing the volts',
  steps: ['drop-starter-positive'],
  excluded: ({ situation, probability }) =>
    latest(situation, 'drop-starter-positive') !== undefined &&
    probability['cable-starter-positive'] < UNLIKELY &&
    probability['connection-positive-post'] < UNLIKELY,
};
const startingGround: Excuse = {
  says: 'the ground side may be losing the volts',
  steps: ['drop-starter-ground'],
  excluded: (evidence) =>
    goodPath('drop-starter-ground', 'cable-starter-ground', '').excluded(evidence) ||
    (noCurrent(evidence.situation) && closed(evidence.situation, 'drop-starter-ground')),
};
const noCurrent = (situation: Situation): boolean => (latest(situation, 'starter-draw')?.value ?? Infinity) < 25;

const controlGood: Excuse = {
  says: 'the solenoid may not be told to work',
  steps: ['starter-control-voltage'],
  excluded: ({ situation, probability }) =>
    latest(situation, 'starter-control-voltage') !== undefined && probability['starter-control'] < UNLIKELY,
};
const turnsByHand: Excuse = {
  says: 'the engine or an accessory may be holding it',
  steps: ['crank-by-hand', 'belt-removed-crank'],
  excluded: ({ situation, derived }) =>
    observed(situation, 'crank-by-hand') === 'turns' ||
    (observed(situation, 'crank-by-hand') === undefined && derived.drawRatio !== null && derived.drawRatio < 0.85),
};
const accessoryExcluded: Excuse = {
  says: 'a belt-driven accessory may be seized',
  steps: ['belt-removed-crank'],
  excluded: ({ situation }) => observed(situation, 'belt-removed-crank') === 'unchanged',
};

/** A starter that spins free asks too little current for a drop: the reading must have been tried. */
const tried = (test: TestName, says: string): Excuse => ({
  says,
  steps: [test],
  excluded: ({ situation }) =>
    situation.case.readings.some((reading) => reading.test === test && (reading.pass ?? 'before') === situation.pass),
});

const beltGood: Excuse = {
  says: 'the belt may slip',
  steps: ['belt'],
  excluded: ({ situation }) => observed(situation, 'belt') === 'good',
};
const studGood: Excuse = {
  says: 'the output path may be open',
  steps: ['alternator-stud-voltage'],
  excluded: ({ situation }) => pathIsGood(situation, 'alternator-stud-voltage'),
};
const excited: Excuse = {
  says: 'the alternator may not be told to charge',
  steps: ['excitation-voltage', 'field-duty'],
  excluded: ({ situation, probability }) =>
    (latest(situation, 'excitation-voltage') !== undefined || latest(situation, 'field-duty') !== undefined) &&
    probability['charge-control'] < UNLIKELY,
};
const chargePositive = goodPath(
  'drop-charge-positive',
  'charge-cable-positive',
  'the charging cable may be losing the volts',
);
const chargeGround = goodPath(
  'drop-charge-ground',
  'charge-cable-ground',
  'the alternator’s ground may be losing the volts',
);
/** A dead alternator has no current to read drops by: the ground strap is looked at instead. */
const strapSound: Excuse = {
  says: 'the ground strap may be broken',
  steps: ['ground-strap'],
  excluded: ({ situation }) =>
    observed(situation, 'ground-strap') === 'sound' || pathIsGood(situation, 'drop-charge-ground'),
};

const measured = (steps: readonly StepName[], says: string, done: (situation: Situation) => boolean): Excuse => ({
  says,
  steps,
  excluded: ({ situation }) => done(situation),
});
const dropMeasured = (...tests: readonly TestName[]): Excuse =>
  measured(tests, 'the drop has not been measured across it', (situation) =>
    tests.some((test) => latest(situation, test) !== undefined),
  );
const seen = (about: 'belt' | 'belt-removed-crank', says: string): Excuse =>
  measured([about], says, (situation) => observed(situation, about) !== undefined);

const BATTERY = [charged, healthMeasured, repeated];
const STARTER = [batteryProven, positiveWithoutSolenoid, startingGround, controlGood, turnsByHand];
const ALTERNATOR = [charged, beltGood, studGood, excited, chargePositive, chargeGround];

/** The excuses of every fault. A fault without a row is never called. */
const PROOF: Readonly<Partial<Record<FaultName, readonly Excuse[]>>> = {
  'battery-worn': BATTERY,
  'battery-dead-cell': [
    measured(
      ['charge', 'specific-gravity', 'conductance'],
      'a flat battery can look like a dead cell',
      (situation) => needsNoCharge(situation) || isCharged(situation),
    ),
    measured(
      ['specific-gravity', 'hold-charge', 'conductance', 'load-test'],
      'no reading has shown the cell yet',
      (situation) =>
        needsNoCharge(situation) ||
        (['hold-charge', 'conductance', 'load-test'] as const).some((test) => latest(situation, test)),
    ),
  ],
  'connection-positive-post': [dropMeasured('drop-positive-post')],
  'connection-negative-post': [dropMeasured('drop-negative-post')],
  'cable-starter-positive': [dropMeasured('drop-starter-positive')],
  'cable-starter-ground': [dropMeasured('drop-starter-ground', 'drop-engine-ground')],
  'solenoid-contacts': [...STARTER.slice(0, 4), dropMeasured('drop-solenoid')],
  'starter-control': [
    measured(
      ['starter-control-voltage'],
      'the control voltage has not been read',
      (situation) => latest(situation, 'starter-control-voltage') !== undefined,
    ),
  ],
  'starter-worn': STARTER,
  'starter-dragging': [...STARTER, accessoryExcluded],
  'starter-drive': [
    batteryProven,
    tried('drop-starter-positive', 'the positive side has not been looked at'),
    tried('drop-starter-ground', 'the ground side has not been looked at'),
    controlGood,
    turnsByHand,
  ],
  'engine-drag': [
    measured(
      ['crank-by-hand'],
      'nobody has turned the engine by hand',
      (situation) => observed(situation, 'crank-by-hand') !== undefined,
    ),
    accessoryExcluded,
  ],
  'accessory-seized': [seen('belt-removed-crank', 'the belt has not been taken off')],
  'alternator-dead': [charged, beltGood, studGood, excited, strapSound],
  'alternator-weak': ALTERNATOR,
  'alternator-diode': ALTERNATOR,
  'regulator-high': ALTERNATOR,
  'belt-slip': [seen('belt', 'nobody has looked at the belt'), excited],
  'charge-cable-positive': [
    measured(
      ['drop-charge-positive', 'alternator-stud-voltage'],
      'the path has not been measured',
      (situation) =>
        latest(situation, 'drop-charge-positive') !== undefined ||
        (latest(situation, 'alternator-stud-voltage') !== undefined &&
          !pathIsGood(situation, 'alternator-stud-voltage')) ||
        observed(situation, 'fusible-link') === 'blown',
    ),
  ],
  'charge-cable-ground': [dropMeasured('drop-charge-ground')],
  'charge-control': [
    measured(
      ['excitation-voltage', 'field-duty'],
      'the excitation has not been read',
      (situation) =>
        latest(situation, 'excitation-voltage') !== undefined || latest(situation, 'field-duty') !== undefined,
    ),
  ],
  'parasitic-drain': [
    measured(
      ['parasitic-draw'],
      'the drain has not been measured',
      (situation) => latest(situation, 'parasitic-draw') !== undefined,
    ),
  ],
};

/** What still stands between a fault and its verdict. */
export interface ProofState {
  readonly proven: boolean;
  /** One step for each excuse that is left: the quickest that is still possible. */
  readonly missing: readonly StepName[];
  readonly excuses: readonly string[];
}

/** Which excuses of a fault are left. A step that was not possible is passed over for another way. */
export function proofOf(fault: FaultName, evidence: Evidence): ProofState {
  let known = KNOWN.get(evidence);
  if (!known) KNOWN.set(evidence, (known = new Map()));
  let proof = known.get(fault);
  if (!proof) known.set(fault, (proof = findProof(fault, evidence)));
  return proof;
}

/** Proofs are asked for by several stages; each is worked out once for one evidence. */
const KNOWN = new WeakMap<Evidence, Map<FaultName, ProofState>>();

function findProof(fault: FaultName, evidence: Evidence): ProofState {
  const left = (PROOF[fault] ?? []).filter((excuse) => !excuse.excluded(evidence));
  const stepOf = ({ steps }: Excuse): StepName => steps.find((step) => possible(step, evidence.situation)) ?? steps[0]!;
  return {
    proven: PROOF[fault] !== undefined && left.length === 0,
    missing: [...new Set(left.map(stepOf))],
    excuses: left.map(({ says }) => says),
  };
}

const possible = (step: StepName, situation: Situation): boolean =>
  step === 'specific-gravity'
    ? situation.case.system.battery.serviceable === true && !notPossible(situation, step)
    : !notPossible(situation, step as TestName);
