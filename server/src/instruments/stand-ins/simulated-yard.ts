/** The vehicle that the simulated instruments are clamped to: it lives in real time, and its leads stand where they were put. */
import { TESTS, TEST_NAMES } from '@tetrad/core';
import type { TestName } from '@tetrad/core';
import {
  SimulatedVisit,
  VehicleInTime,
  acVolts,
  halfCcaAmps,
  pointVolts,
  randomOf,
} from '../../../../core/src/simulation';
import type { Controls, Instant, Vehicle } from '../../../../core/src/simulation';
import type { FaultName } from '@tetrad/core';

const TICK_MS = 20;
/** What a charger leaves, 0 to 1. */
const FULL_CHARGE = 0.98;
/** A recorder keeps this share of its record from before its trigger. */
const BEFORE_TRIGGER = 0.2;
/** After a pause of the process no more than this is made up for, s. */
const MAX_CATCH_UP_S = 0.5;

export interface ChosenVehicle {
  readonly fault: FaultName;
  readonly severity: number;
  readonly seed: number;
}

/** What a recorder is set to. */
export interface RecorderSettings {
  readonly samplesPerSecond: number;
  readonly points: number;
  /** It triggers where the clamp shows this much, A. */
  readonly triggerAmps: number;
}
export interface Recorded {
  readonly volts: Float32Array;
  readonly amps: Float32Array;
}
interface Recording extends RecorderSettings {
  readonly volts: number[];
  readonly amps: number[];
  isTriggered: boolean;
  readonly done: (recorded: Recorded) => void;
}

export class SimulatedYard {
  #model!: VehicleInTime;
  #at: TestName = 'resting-voltage';
  #ticking: NodeJS.Timeout;
  #recording: Recording | null = null;
  #dueS = 0;
  #last = performance.now();
  readonly random = randomOf(Date.now());

  constructor(chosen: ChosenVehicle) {
    this.choose(chosen);
    this.#ticking = setInterval(() => this.#tick(), TICK_MS);
  }

  /** Another vehicle stands there, its engine off and its modules asleep. */
  choose({ fault, severity, seed }: ChosenVehicle): void {
    this.#park(new SimulatedVisit({ faults: [fault], severity, seed }).vehicle);
  }
  set(change: Partial<Controls>): void {
    this.#model.set(change);
  }
  /** Puts leads and clamp where a test wants them. @returns false for a test that is none. */
  leadsAt(test: string): boolean {
    const known = TEST_NAMES.find((name) => name === test);
    if (known) this.#at = known;
    return known !== undefined;
  }
  /** A load tester across the posts, at half the CCA; off with false. */
  loadTest(isOn: boolean): void {
    this.set({ testerAmps: isOn ? halfCcaAmps(this.vehicle) : 0 });
  }
  /** Charges the battery fully; it has rested since, and everything is off. */
  charge(): void {
    this.vehicle.charge = Math.max(this.vehicle.charge, FULL_CHARGE);
    this.#park(this.vehicle);
  }
  #park(vehicle: Vehicle): void {
    this.#model = new VehicleInTime(vehicle);
    this.#model.fallAsleep();
  }
  /** Records volts at the posts and amps of the battery from the trigger on; an earlier recording is given up. */
  record(settings: RecorderSettings): Promise<Recorded> {
    return new Promise((done) => {
      this.#recording = { ...settings, volts: [], amps: [], isTriggered: false, done };
    });
  }
  close(): void {
    clearInterval(this.#ticking);
  }

  get instant(): Instant {
    return this.#model.instant;
  }
  get vehicle() {
    return this.#model.vehicle;
  }
  get controls(): Controls {
    return this.#model.controls;
  }
  /** What the regulator aims at, V. */
  get target(): number {
    return this.#model.alternator.target;
  }

  /** Between the meter's leads, V. */
  get volts(): number {
    const { red = 'positive-post', black = 'negative-post' } = TESTS[this.#at].leads ?? {};
    const at = pointVolts(this.vehicle, this.controls, this.#model.instant);
    return at[red] - at[black];
  }
  /** Through the clamp, A, along its arrow. */
  get amps(): number {
    const now = this.#model.instant;
    if (this.#at === 'alternator-current') return now.alternatorAmps;
    if (this.#at === 'battery-current') return -now.batteryAmps;
    return this.#at === 'starter-draw' ? now.motorAmps : now.batteryAmps;
  }
  /** What an AC range that blocks DC shows, V RMS. */
  get ripple(): number {
    return acVolts(this.vehicle, this.#model.instant);
  }

  #tick(): void {
    const now = performance.now();
    const seconds = Math.min(MAX_CATCH_UP_S, (now - this.#last) / 1000);
    this.#last = now;
    if (this.#recording) this.#advanceSampling(this.#recording, seconds);
    else this.#model.advance(seconds);
  }

  #advanceSampling(recording: Recording, seconds: number): void {
    const stepS = 1 / recording.samplesPerSecond;
    this.#dueS += seconds;
    for (; this.#dueS >= stepS && this.#recording === recording; this.#dueS -= stepS) {
      this.#model.advance(stepS);
      this.#sample(recording);
    }
  }
  #sample(recording: Recording): void {
    const { postVolts, rippleVolts, batteryAmps } = this.#model.instant;
    const { volts, amps, points, triggerAmps } = recording;
    volts.push(postVolts + rippleVolts + this.random.normal(0, 0.004));
    amps.push(batteryAmps + this.random.normal(0, 0.6));
    recording.isTriggered ||= Math.abs(batteryAmps) >= triggerAmps;
    const before = Math.round(points * BEFORE_TRIGGER);
    if (!recording.isTriggered && volts.length > 2 * before) {
      volts.splice(0, volts.length - before);
      amps.splice(0, amps.length - before);
    }
    if (!recording.isTriggered || volts.length < points) return;
    this.#recording = null;
    const newest = (from: readonly number[]): Float32Array => Float32Array.from(from.slice(-points));
    recording.done({ volts: newest(volts), amps: newest(amps) });
  }
}
