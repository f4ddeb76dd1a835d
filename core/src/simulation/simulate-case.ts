import { CASE_FORMAT } from '../format/case-shape';
import type { Case, Observation, Reading } from '../format/case-shape';
import type { FaultName, StepName, TestName } from '../format/names';
import { FAULTS, OBSERVATION_NAMES, TESTS, isObservationName, isTestName } from '../trade/tables';
import { simulatedBench } from './bench';
import type { Measured } from './bench';
import { complainOf, observe } from './observe';
import { randomOf } from './random';
import type { Random } from './random';
import { TUNING_SPREAD } from './spread';
import type { Spread } from './spread';
import { soundVehicle } from './vehicle';
import type { Vehicle } from './vehicle';

export interface SimulationOptions {
  readonly faults: readonly FaultName[];
  /** 0 to 1; drawn where absent. */
  readonly severity?: number;
  readonly seed: number;
  /** Share of readings taken with one of the usual mistakes; none where absent. */
  readonly mistakes?: number;
  readonly spread?: Spread;
}

/** Tests of a full set, in working order. */
export const FULL_SET: readonly TestName[] = [
  'resting-voltage',
  'conductance',
  'load-test',
  'internal-resistance',
  'cranking-voltage',
  'starter-draw',
  'cranking-speed',
  'starter-control-voltage',
  'drop-positive-post',
  'drop-negative-post',
  'drop-starter-positive',
  'drop-solenoid',
  'drop-starter-ground',
  'drop-engine-ground',
  'drop-body-ground',
  'charging-voltage',
  'alternator-current',
  'drop-charge-positive',
  'drop-charge-ground',
  'alternator-stud-voltage',
  'excitation-voltage',
  'ripple-ac',
  'ripple-waveform',
  'parasitic-draw',
];

/** Observations that a full visit leaves out: the end of all testing, and half an hour with the plugs. */
const LEFT_OUT: ReadonlySet<string> = new Set(['plugs-removed-crank', 'battery-case']);

/** A simulated visit: a vehicle that can be measured, observed and charged, step by step. */
export class SimulatedVisit {
  readonly vehicle: Vehicle;
  readonly #random: Random;
  readonly #spread: Spread;
  readonly #mistakes: number;
  #readings: Reading[] = [];
  #observations: Observation[] = [];
  readonly #symptoms: NonNullable<Case['complaint']>['symptoms'];

  constructor({ faults, severity, seed, mistakes = 0, spread = TUNING_SPREAD }: SimulationOptions) {
    this.#mistakes = mistakes;
    this.#random = randomOf(seed);
    this.#spread = spread;
    this.vehicle = soundVehicle(this.#random, spread);
    if (severity !== undefined && !(severity >= 0 && severity <= 1))
      throw new RangeError(`severity must lie from 0 to 1, got ${severity}`);
    for (const fault of faults)
      FAULTS[fault].effect(this.vehicle, severity ?? this.#random.between(0, 1), this.#random, spread);
    this.#symptoms = complainOf(this.vehicle, this.#random);
  }

  /** Does one step a judgement asks for: a reading, an observation, or a charge. */
  do(step: StepName, conditions: Readonly<Record<string, unknown>> = {}): void {
    if (step === 'charge') {
      this.vehicle.charge = Math.max(this.vehicle.charge, this.#random.between(0.93, 1));
      this.do('resting-voltage');
    } else if (isObservationName(step)) this.#observations.push({ about: step, finding: observe(step, this.#bench()) });
    else if (isTestName(step)) this.#readings.push({ id: `s${this.#readings.length + 1}`, test: step, ...this.#take(step, conditions) });
  }

  #bench(wanted: Readonly<Record<string, unknown>> = {}) {
    return simulatedBench(this.vehicle, this.#random, this.#spread, wanted);
  }

  /** One reading, now and then with one of the usual mistakes of its test. */
  #take(test: TestName, wanted: Readonly<Record<string, unknown>>): Measured {
    const measured = TESTS[test].simulated(this.#bench(wanted));
    const slips = this.#mistakes > 0 && this.#random.chance(this.#mistakes) ? TESTS[test].slips : undefined;
    const { value } = measured;
    return slips && typeof value === 'number' && value > 0
      ? this.#random.pick(slips)(measured, value, this.vehicle.scale, this.#random)
      : measured;
  }

  /** Everything there is to read, charged first where that is what a technician would do. */
  doAll({ chargeFirst }: { readonly chargeFirst: boolean }): void {
    for (const about of OBSERVATION_NAMES)
      if (!LEFT_OUT.has(about)) this.do(about);
    this.do('resting-voltage');
    if (chargeFirst) this.do('charge');
    for (const test of FULL_SET) if (test !== 'resting-voltage') this.do(test);
    this.do('charging-voltage', { loads: 'on' });
    if (this.vehicle.system.battery.serviceable) this.do('specific-gravity');
  }

  get case(): Case {
    const { system, celsius } = this.vehicle;
    return {
      format: CASE_FORMAT,
      title: 'simulated',
      system,
      complaint: { symptoms: this.#symptoms },
      conditions: { batteryCelsius: celsius, ambientCelsius: celsius },
      observations: [...this.#observations],
      readings: [...this.#readings],
    };
  }
}

/** A full set of readings of one simulated vehicle. */
export function simulateCase(options: SimulationOptions): Case {
  const visit = new SimulatedVisit(options);
  visit.doAll({ chargeFirst: visit.vehicle.charge < 0.75 && !options.faults.includes('battery-discharged') });
  return visit.case;
}
