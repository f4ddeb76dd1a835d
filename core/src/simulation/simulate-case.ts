import { CASE_FORMAT } from '../format/case-shape';
import type { BatteryLabel, Case, Rating } from '../format/case-shape';
import type { Reading } from '../format/reading-shape';
import type { Observation } from '../format/observation-shape';
import type { FaultName, ObservationName, StepName, TestName } from '../format/names';
import { TESTS, isObservationName, isTestName } from '../trade/tables';
import { FAULT_EFFECTS, TEST_MODELS } from './models';
import { simulatedBench } from '../evidence/simulated-bench';
import type { Measured } from '../evidence/simulated-bench';
import { FULL_LOOK, FULL_SET, lastLooks } from './full-set';
import { misreadLabel } from './misread-label';
import { complainOf, observe } from './observe';
import { randomOf } from '../circuit/model/random';
import type { Random } from '../circuit/model/random';
import { TUNING_SPREAD } from '../circuit/model/spread';
import type { Spread } from '../circuit/model/spread';
import { soundVehicle } from './sound-vehicle';
import type { VehicleKind } from './sound-vehicle';
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
  /** What comes in; drawn where absent. */
  readonly kind?: VehicleKind;
  /** The label was copied wrongly, in one of the usual ways. */
  readonly isLabelMisread?: boolean;
}

/** Readings of a full set that a hurried hand may get wrong. */
const MISTAKEN = FULL_SET.filter((test) => TEST_MODELS[test].slips !== undefined);
/** Share of mistakes that are made with the label: it is the slip that is made most often. */
const OF_THE_LABEL = 0.12;

/** A simulated visit: a vehicle that can be measured, observed and charged, step by step. */
export class SimulatedVisit {
  readonly vehicle: Vehicle;
  readonly #random: Random;
  readonly #spread: Spread;
  readonly #mistakes: number;
  /** The test whose reading is mistaken, or the label; null for a careful hand. */
  readonly #mistaken: TestName | 'label' | null;
  /** What the label really says. */
  readonly #truth: Rating | undefined;
  #readings: Reading[] = [];
  #observations: Observation[] = [];
  readonly #symptoms: NonNullable<Case['complaint']>['symptoms'];

  constructor({
    faults,
    severity,
    seed,
    mistakes = 0,
    oneMistake = false,
    spread = TUNING_SPREAD,
    kind,
    isLabelMisread = false,
  }: SimulationOptions) {
    this.#mistakes = mistakes;
    this.#random = randomOf(seed);
    this.#spread = spread;
    this.vehicle = soundVehicle(this.#random, spread, kind);
    if (severity !== undefined && !(severity >= 0 && severity <= 1))
      throw new RangeError(`severity must lie from 0 to 1, got ${severity}`);
    for (const fault of faults)
      FAULT_EFFECTS[fault](this.vehicle, severity ?? this.#random.between(0, 1), this.#random, spread);
    this.#symptoms = complainOf(this.vehicle, this.#random);
    this.#truth = this.vehicle.system.battery.rating;
    const slip = (): TestName | 'label' => (this.#random.chance(OF_THE_LABEL) ? 'label' : this.#random.pick(MISTAKEN));
    this.#mistaken = isLabelMisread ? 'label' : oneMistake ? slip() : null;
    if (this.#mistaken === 'label' && this.#truth) {
      const { capacityAh, ...battery } = this.vehicle.system.battery;
      // the figure that gives a wrong label away is often not on it
      const isCapacityTold = capacityAh !== undefined && this.#random.chance(0.5);
      this.#label({
        ...battery,
        ...(isCapacityTold && { capacityAh }),
        rating: misreadLabel(this.#truth, this.#random),
      });
    }
  }

  /** Does one step a judgement asks for: a reading, an observation, or a charge. */
  do(step: StepName, conditions: Readonly<Record<string, unknown>> = {}): void {
    if (step === 'charge') {
      this.vehicle.charge = Math.max(this.vehicle.charge, this.#random.between(0.93, 1));
      this.do('resting-voltage');
    } else if (step === 'label') {
      if (this.#truth) this.#label({ ...this.vehicle.system.battery, rating: { ...this.#truth, confirmed: true } });
    } else if (isObservationName(step)) this.observed(step, observe(step, this.#bench()));
    else if (isTestName(step)) {
      const measured = this.#take(step, conditions);
      this.#notePeak(step, measured);
      this.note(step, measured);
    }
  }

  /** A recorder was still on from the test before: its peak is written down first. */
  #notePeak(test: TestName, measured: Measured): void {
    const { peaks = 0 } = this.#spread;
    if (peaks === 0 || typeof measured.value !== 'number') return;
    const method = this.#random.pick(['min-max', 'fast-peak'] as const);
    const peak = {
      value: measured.value * this.#random.between(1.6, 2.8),
      conditions: { ...measured.conditions, method },
    };
    if (TESTS[test].isPartial?.({ id: '', test, ...peak }) && this.#random.chance(peaks)) this.note(test, peak);
  }

  /** Adds a reading that was taken by hand. @returns its id. */
  note(test: TestName, measured: Measured): string {
    const id = `s${this.#readings.length + 1}`;
    this.#readings.push({ id, test, ...measured });
    return id;
  }

  /** Adds what was seen. */
  observed(about: ObservationName, finding: string): void {
    this.#observations.push({ about, finding });
  }

  /** Takes up a visit where it was left: what was read and seen then. */
  takeUp({ readings, observations = [] }: Pick<Case, 'readings' | 'observations'>): void {
    this.#readings = [...readings];
    this.#observations = [...observations];
  }

  /** What everybody takes from the label from now on: the tester is set by it, and the load chosen. */
  #label(battery: BatteryLabel): void {
    this.vehicle.system = { ...this.vehicle.system, battery };
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
    for (const about of lastLooks(this.vehicle)) this.do(about);
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
