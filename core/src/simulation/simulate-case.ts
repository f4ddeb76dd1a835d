import { CASE_FORMAT } from '../format/case-shape';
import type { Case, Rating } from '../format/case-shape';
import type { Reading } from '../format/reading-shape';
import type { Observation } from '../format/observation-shape';
import type { FaultName, StepName, TestName } from '../format/names';
import { isObservationName, isTestName } from '../trade/tables';
import { FAULT_EFFECTS, TEST_MODELS } from './models';
import { simulatedBench } from '../evidence/simulated-bench';
import type { Measured } from '../evidence/simulated-bench';
import { FULL_LOOK, FULL_SET } from './full-set';
import { misreadLabel } from './misread-label';
import { complainOf, observe } from './observe';
import { randomOf } from '../circuit/model/random';
import type { Random } from '../circuit/model/random';
import { TUNING_SPREAD } from '../circuit/model/spread';
import type { Spread } from '../circuit/model/spread';
import { soundVehicle } from './sound-vehicle';
import type { Vehicle } from '../circuit/model/vehicle';

export interface SimulationOptions {
  readonly faults: readonly FaultName[];
  /** 0 to 1; drawn where absent. */
  readonly severity?: number;
  readonly seed: number;
  /** Share of readings taken with one of the usual mistakes; none where absent. */
  readonly mistakes?: number;
  /** One usual mistake in the whole visit: of one reading, or of the label. */
  readonly oneMistake?: boolean;
  readonly spread?: Spread;
}

/** What a hurried hand may get wrong once: a reading of a full set that has a usual mistake, or the label. */
const MISTAKEN: readonly (TestName | 'label')[] = [
  ...FULL_SET.filter((test) => TEST_MODELS[test].slips !== undefined),
  'label',
];

/** A simulated visit: a vehicle that can be measured, observed and charged, step by step. */
export class SimulatedVisit {
  readonly vehicle: Vehicle;
  readonly #random: Random;
  readonly #spread: Spread;
  readonly #mistakes: number;
  /** The test whose reading is mistaken, or the label; null for a careful hand. */
  readonly #mistaken: TestName | 'label' | null;
  #rating: Rating | undefined;
  #readings: Reading[] = [];
  #observations: Observation[] = [];
  readonly #symptoms: NonNullable<Case['complaint']>['symptoms'];

  constructor({ faults, severity, seed, mistakes = 0, oneMistake = false, spread = TUNING_SPREAD }: SimulationOptions) {
    this.#mistakes = mistakes;
    this.#random = randomOf(seed);
    this.#spread = spread;
    this.vehicle = soundVehicle(this.#random, spread);
    if (severity !== undefined && !(severity >= 0 && severity <= 1))
      throw new RangeError(`severity must lie from 0 to 1, got ${severity}`);
    for (const fault of faults)
      FAULT_EFFECTS[fault](this.vehicle, severity ?? this.#random.between(0, 1), this.#random, spread);
    this.#symptoms = complainOf(this.vehicle, this.#random);
    this.#rating = this.vehicle.system.battery.rating;
    this.#mistaken = oneMistake ? this.#random.pick(MISTAKEN) : null;
    if (this.#mistaken === 'label' && this.#rating) this.#rating = misreadLabel(this.#rating, this.#random);
  }

  /** Does one step a judgement asks for: a reading, an observation, or a charge. */
  do(step: StepName, conditions: Readonly<Record<string, unknown>> = {}): void {
    if (step === 'charge') {
      this.vehicle.charge = Math.max(this.vehicle.charge, this.#random.between(0.93, 1));
      this.do('resting-voltage');
    } else if (step === 'label') {
      const { rating } = this.vehicle.system.battery;
      this.#rating = rating && { ...rating, confirmed: true };
    } else if (isObservationName(step)) this.#observations.push({ about: step, finding: observe(step, this.#bench()) });
    else if (isTestName(step)) {
      const id = `s${this.#readings.length + 1}`;
      this.#readings.push({ id, test: step, ...this.#take(step, conditions) });
    }
  }

  #bench(wanted: Readonly<Record<string, unknown>> = {}) {
    return simulatedBench(this.vehicle, this.#random, this.#spread, wanted);
  }

  /** One reading, now and then with one of the usual mistakes of its test. */
  #take(test: TestName, wanted: Readonly<Record<string, unknown>>): Measured {
    const measured = TEST_MODELS[test].reads(this.#bench(wanted));
    const isFirst = !this.#readings.some((reading) => reading.test === test);
    const errs = (this.#mistaken === test && isFirst) || (this.#mistakes > 0 && this.#random.chance(this.#mistakes));
    const slips = errs ? TEST_MODELS[test].slips : undefined;
    const { value } = measured;
    return slips && typeof value === 'number' && value > 0
      ? this.#random.pick(slips)(measured, value, this.vehicle.scale, this.#random)
      : measured;
  }

  /** Everything there is to read, charged first where that is what a technician would do. */
  doAll({ chargeFirst }: { readonly chargeFirst: boolean }): void {
    for (const about of FULL_LOOK) this.do(about);
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
      system: this.#rating ? { ...system, battery: { ...system.battery, rating: this.#rating } } : system,
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
