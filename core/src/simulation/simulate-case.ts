import { CASE_FORMAT } from '../case/case-shape';
import type { Case, Observation, Reading } from '../case/case-shape';
import type { StepName } from '../case/judgement-shape';
import { OBSERVATION_NAMES, isObservationName, isTestName } from '../case/vocabulary';
import type { FaultName, TestName } from '../case/vocabulary';
import { injectFault } from './inject-fault';
import { makeMistake } from './make-mistake';
import { measure } from './measure';
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

/** A simulated visit: a vehicle that can be measured, observed and charged, step by step. */
export class SimulatedVisit {
  readonly vehicle: Vehicle;
  readonly #random: Random;
  readonly #spread: Spread;
  readonly #faults: ReadonlySet<FaultName>;
  readonly #mistakes: number;
  #readings: Reading[] = [];
  #observations: Observation[] = [];
  readonly #symptoms: NonNullable<Case['complaint']>['symptoms'];

  constructor({ faults, severity, seed, mistakes = 0, spread = TUNING_SPREAD }: SimulationOptions) {
    this.#mistakes = mistakes;
    this.#random = randomOf(seed);
    this.#spread = spread;
    this.#faults = new Set(faults);
    this.vehicle = soundVehicle(this.#random, spread);
    for (const fault of faults)
      injectFault(this.vehicle, fault, severity ?? this.#random.between(0, 1), this.#random, spread);
    this.#symptoms = complainOf(this.vehicle, this.#random);
  }

  /** Does one step a judgement asks for: a reading, an observation, or a charge. */
  do(step: StepName, conditions: Readonly<Record<string, unknown>> = {}): void {
    if (step === 'charge') {
      this.vehicle.charge = Math.max(this.vehicle.charge, this.#random.between(0.93, 1));
      this.do('resting-voltage');
    } else if (isObservationName(step))
      this.#observations.push({
        about: step,
        finding: observe(
          this.vehicle,
          step,
          { accessorySeized: this.#faults.has('accessory-seized') },
          this.#random,
          this.#spread,
        ),
      });
    else if (isTestName(step)) {
      const measured = measure(this.vehicle, step, { random: this.#random, spread: this.#spread }, conditions);
      const slips = this.#mistakes > 0 && this.#random.chance(this.#mistakes);
      const recorded = slips ? makeMistake(measured, this.vehicle.scale, this.#random) : measured;
      this.#readings.push({ id: `s${this.#readings.length + 1}`, ...recorded });
    }
  }

  /** Everything there is to read, charged first where that is what a technician would do. */
  doAll({ chargeFirst }: { readonly chargeFirst: boolean }): void {
    for (const about of OBSERVATION_NAMES)
      if (about !== 'plugs-removed-crank' && about !== 'battery-case') this.do(about);
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
