/**
 * The practice bay: a simulated vehicle in time with a hidden fault, leads that are put on its points, and what was read of
 * it so far. Nothing here knows of a screen; time passes when it is told to.
 */
import type { ClampPlace, Flow } from '../circuit/points';
import { randomOf } from '../circuit/model/random';
import type { Case } from '../format/case-shape';
import type { ReadingConditions } from '../format/conditions';
import type { ObservationName, TestName } from '../format/names';
import {
  SimulatedVisit,
  SlowMeter,
  VehicleInTime,
  acVolts,
  halfCcaAmps,
  pointVolts,
  smallSignalOhm,
  testerCca,
  voltDigit,
} from '../simulation';
import type { Controls, MeterRange } from '../simulation';
import { TESTS } from '../trade/tables';
import { conditionsAt } from './conditions-at';
import type { BayClock } from './conditions-at';
import type { Exercise } from './exercise';
import { EMPTY_HANDS, handsFor, testOf } from './hands';
import type { Hands } from './hands';
import { StarterWatch } from './safety';
import type { SafetyEvent } from './safety';

/** The model is looked at so often while something happens, s. */
const LOOK_S = 0.02;
/** Longer waits pass at once: nobody watches, s. */
const WATCHED_S = 5;
/** A battery under this is not loaded to be tested. */
const FLAT_BELOW = 0.5;
/** With its fuel stopped a vehicle takes little with the key on, A. */
const KEY_ON_AMPS = 3;
const CHARGED: readonly [number, number] = [0.95, 1];

/** Over range for either, V or A. */
const MOST = 2000;
const VOLTS: MeterRange = {
  most: MOST,
  digitOf: voltDigit,
  noiseOf: (size, digit) => size * 0.0003 + digit / 2,
};
/** A clamp that has a fine range for what flows while a vehicle sleeps. */
const AMPS: MeterRange = {
  most: MOST,
  digitOf: (amps) => (Math.abs(amps) < 2 ? 0.001 : 0.1),
  noiseOf: (size, digit) => size * 0.003 + digit / 2,
};

/** What came of writing something down. */
export type Written = { readonly test: TestName; readonly id: string } | { readonly why: 'no-test' | 'over-range' };

/** A bay that was left in the middle of a visit. */
export interface LeftBay {
  readonly readings: Case['readings'];
  readonly observations: NonNullable<Case['observations']>;
  readonly hands: Hands;
  readonly charge: number;
  readonly safety: readonly SafetyEvent[];
}

export class PracticeBay {
  readonly #visit: SimulatedVisit;
  readonly #random;
  #model: VehicleInTime;
  #hands: Hands = EMPTY_HANDS;
  readonly #volts: SlowMeter;
  readonly #amps: SlowMeter;
  readonly #starter = new StarterWatch();
  #clock: BayClock = { crankedS: 0, loadedS: 0, ranS: 0, keyOffS: Infinity, chargedS: null, isSurfaceCleared: false };

  constructor(readonly exercise: Exercise) {
    const { faults, severity, seed } = exercise;
    this.#random = randomOf(seed + 1);
    this.#visit = new SimulatedVisit({ faults, severity, seed });
    this.#model = parked(this.#visit);
    this.#volts = new SlowMeter(VOLTS, this.#random);
    this.#amps = new SlowMeter(AMPS, this.#random);
    this.take({});
  }

  get hands(): Hands {
    return this.#hands;
  }
  get controls(): Controls {
    return this.#model.controls;
  }
  get instant() {
    return this.#model.instant;
  }
  get vehicle() {
    return this.#visit.vehicle;
  }
  /** What is needed to go on later. */
  get left(): LeftBay {
    const { readings, observations = [] } = this.case;
    return { readings, observations, hands: this.#hands, charge: this.vehicle.charge, safety: this.safety };
  }
  /** Goes on where a visit was left: the vehicle has stood meanwhile, its key off. */
  takeUp({ readings, observations, hands, charge, safety }: LeftBay): void {
    this.#visit.takeUp({ readings, observations });
    this.vehicle.charge = charge;
    this.#model = parked(this.#visit);
    for (const event of safety) this.#starter.note(event);
    this.take(hands);
  }
  /** What was read and seen so far, as the judge is given it. */
  get case(): Case {
    return { ...this.#visit.case, title: this.exercise.title };
  }
  get safety(): readonly SafetyEvent[] {
    return this.#starter.events;
  }

  /** Puts a lead or the clamp somewhere, or sets the instrument. */
  take(change: Partial<Hands>): void {
    this.#hands = { ...this.#hands, ...change };
    this.#volts.begin(this.#betweenLeads());
    this.#amps.begin(this.#inClamp());
  }

  /** Turns the key, stops the fuel, switches loads. */
  set(change: Partial<Controls>): void {
    this.#model.set(change);
  }

  /** A load tester across the posts, at half the CCA. */
  loadTest(isOn: boolean): void {
    this.set({ testerAmps: isOn ? halfCcaAmps(this.vehicle) : 0 });
  }

  /** Lets time pass. @param seconds 0 or more. */
  advance(seconds: number): void {
    if (seconds > WATCHED_S) {
      this.#model.advance(seconds - WATCHED_S);
      this.#tick(seconds - WATCHED_S);
    }
    for (let left = Math.min(seconds, WATCHED_S); left > 1e-9; left -= LOOK_S) {
      const stepS = Math.min(left, LOOK_S);
      this.#model.advance(stepS);
      this.#tick(stepS);
      this.#follow(stepS);
    }
  }

  /** What the instrument shows: null for over range. */
  get shown(): {
    readonly value: number | null;
    readonly decimals: number;
    readonly unit: 'V' | 'A' | 'ohm' | 'rpm' | '%';
  } {
    const { use } = this.#hands;
    if (use === 'amps-dc') return { value: this.#amps.value, decimals: this.#amps.decimals, unit: 'A' };
    if (use === 'volts-ac') return { value: Number(this.#ripple().toFixed(3)), decimals: 3, unit: 'V' };
    if (use === 'conductance') return { value: this.#atPosts(testerCca(this.vehicle), 0), decimals: 0, unit: 'A' };
    if (use === 'battery-ohms')
      return { value: this.#atPosts(smallSignalOhm(this.vehicle), 5), decimals: 5, unit: 'ohm' };
    if (use === 'engine-speed') return { value: Math.round(this.instant.rpm), decimals: 0, unit: 'rpm' };
    if (use === 'field-duty') return { value: Math.round(this.instant.fieldPercent), decimals: 0, unit: '%' };
    return { value: this.#volts.value, decimals: this.#volts.decimals, unit: 'V' };
  }
  /** Amps of the clamp, beside volts: two instruments at one moment; null where it is round nothing. */
  get clampAmps(): number | null {
    return this.#hands.clamp === null ? null : this.#amps.value;
  }

  /** The test that is being taken; null where no test of the trade is read so. */
  get test(): TestName | null {
    return testOf(this.#hands, this.flow);
  }
  get flow(): Flow {
    const { key, testerAmps } = this.controls;
    if (this.instant.isRunning) return 'charging';
    if (key === 'start') return 'cranking';
    return testerAmps > 0 ? 'load' : 'none';
  }

  /** Writes down what the instrument shows, as the test that is being taken. */
  write(): Written {
    const { test } = this;
    if (test === null) return { why: 'no-test' };
    const { value } = this.shown;
    if (value === null) return { why: 'over-range' };
    if (this.flow === 'cranking' && this.controls.hasFuel) this.#starter.note('fuel-not-stopped');
    if ((this.flow === 'cranking' || this.flow === 'load') && this.vehicle.charge < FLAT_BELOW)
      this.#starter.note('loaded-flat');
    // a minus sign is only the arrow, or the order of the leads
    const isSigned = test === 'battery-current';
    const read = isSigned ? value : Math.abs(value);
    return { test, id: this.#visit.note(test, { value: read, conditions: this.#conditions(test) }) };
  }

  /** Looks, listens or feels. */
  look(about: ObservationName): void {
    this.#visit.do(about);
  }
  /** Takes a test that needs an instrument of its own: a hydrometer, a recorder, a night. */
  special(test: TestName, conditions: ReadingConditions = {}): void {
    this.#visit.do(test, conditions);
  }
  /** Reads the label again, large. */
  readLabel(): void {
    this.#visit.do('label');
  }
  /** Charges the battery fully, and lets it rest. */
  charge(): void {
    this.set({ key: 'off', loads: 'off', testerAmps: 0 });
    this.vehicle.charge = Math.max(this.vehicle.charge, this.#random.between(...CHARGED));
    this.#model = parked(this.#visit);
    this.#clock = { ...this.#clock, chargedS: 3600, isSurfaceCleared: true, ranS: 0 };
    this.#follow(0);
  }

  /** Leads, clamp and instrument as a test wants them. @returns false for one that no instrument of the bay reads. */
  takeFor(test: TestName): boolean {
    const hands = handsFor(test);
    if (hands) this.take({ ...hands, clamp: hands.clamp ?? clampBeside(test) });
    return hands !== null;
  }

  #conditions(test: TestName): ReadingConditions {
    return conditionsAt(test, {
      vehicle: this.vehicle,
      controls: this.controls,
      instant: this.instant,
      clock: this.#clock,
      clampAmps: this.clampAmps,
      postVolts: this.#isAtPosts ? this.#volts.value : null,
      target: this.#model.alternator.target,
    });
  }

  #betweenLeads(): number {
    const { red, black } = this.#hands;
    if (red === null || black === null) return 0;
    const at = pointVolts(this.vehicle, this.controls, this.instant);
    return at[red] - at[black];
  }
  #inClamp(): number {
    const { batteryAmps, alternatorAmps } = this.instant;
    const { clamp } = this.#hands;
    if (clamp === 'alternator-output') return alternatorAmps;
    if (clamp === 'tester-lead') return this.controls.testerAmps;
    // its arrow points to the battery
    return clamp === 'battery-cables' ? -batteryAmps : 0;
  }
  #ripple(): number {
    const { red, black } = this.#hands;
    const isOn = red !== null && black !== null;
    return acVolts(this.vehicle, isOn ? this.instant : { alternatorAmps: 0 });
  }
  get #isAtPosts(): boolean {
    const { red, black } = this.#hands;
    return red === 'positive-post' && black === 'negative-post';
  }
  #atPosts(value: number, decimals: number): number {
    return this.#isAtPosts ? Number(value.toFixed(decimals)) : 0;
  }

  #follow(stepS: number): void {
    this.#volts.follow(this.#betweenLeads(), stepS);
    this.#amps.follow(this.#inClamp(), stepS);
  }
  #tick(stepS: number): void {
    const { key, testerAmps, lamps } = this.controls;
    const { isRunning } = this.instant;
    this.#starter.pass(stepS, this.controls, this.instant);
    const { crankedS, loadedS, ranS, keyOffS, chargedS, isSurfaceCleared } = this.#clock;
    this.#clock = {
      crankedS: key === 'start' ? crankedS + stepS : 0,
      loadedS: testerAmps > 0 ? loadedS + stepS : 0,
      ranS: isRunning ? ranS + stepS : 0,
      keyOffS: key === 'off' ? keyOffS + stepS : 0,
      chargedS: isRunning ? 0 : chargedS === null ? null : chargedS + stepS,
      isSurfaceCleared: !isRunning && (isSurfaceCleared || lamps || key === 'start'),
    };
  }
}

/** It has stood overnight. */
function parked({ vehicle }: SimulatedVisit): VehicleInTime {
  const model = new VehicleInTime(vehicle, { keyOnAmps: KEY_ON_AMPS });
  model.fallAsleep();
  return model;
}

/** The conductor whose amps belong to a drop. */
function clampBeside(test: TestName): ClampPlace | null {
  const flow = TESTS[test].leads?.flow;
  if (!TESTS[test].conditions.includes('amps')) return null;
  return flow === 'cranking' ? 'battery-cables' : flow === 'charging' ? 'alternator-output' : 'tester-lead';
}
