/**
 * A vehicle in time: battery, starter, engine, alternator and loads on the pieces of the one table of paths. Its steady
 * state is that of the circuit model (`circuit/model`), which it is tested against.
 *
 * The starter's current is stepped implicitly; the battery's polarization is exact for a step of any length; speed and
 * field are stepped explicitly. With steps of 0.2 ms in the inrush and 0.8 ms in the crank after it, the volts differ
 * from those of steps a tenth as long by under 20 mV in a start (`core/test/vehicle-in-time.test.ts`).
 */
import { LOAD_SHARE, outputOhm } from '../../circuit/model/charging-circuit';
import { FIRES_FROM_RPM, FREE_SHARE, pathOhm } from '../../circuit/model/cranking-circuit';
import type { Vehicle } from '../../circuit/model/vehicle';
import type { DiodeState } from '../record/bridge';
import { AlternatorInTime } from './alternator-in-time';
import { BatteryInTime } from './battery-in-time';
import { AT_REST } from './controls';
import type { Controls } from './controls';

export interface TimeOptions {
  /** Which compression of a round is weak, from 1, and what it still has of a sound one, 0 to 1. */
  readonly weakCylinder?: { readonly index: number; readonly share: number } | undefined;
  readonly diode?: DiodeState | undefined;
  /** Share of the engine's load that is compression and comes in pulses; 0 for a load that is always its mean. */
  readonly pulseShare?: number;
  /** What modules and pump take with the key on, the engine not running, A. */
  readonly keyOnAmps?: number;
  /** The longest step of the inrush, s; of the crank after it four of them. */
  readonly stepS?: number;
}

/** What is so at one moment; currents in A, volts in V. */
export interface Instant {
  readonly seconds: number;
  /** At the posts, humps of the alternator left out. */
  readonly postVolts: number;
  /** The hump of the alternator at this moment. */
  readonly rippleVolts: number;
  /** Out of the battery; into it is below 0. */
  readonly batteryAmps: number;
  readonly motorAmps: number;
  /** From the starter's motor terminal to its own case. */
  readonly motorVolts: number;
  readonly rpm: number;
  readonly isRunning: boolean;
  /** Whether the starter's contacts are closed. */
  readonly isCranking: boolean;
  readonly alternatorAmps: number;
  /** At the alternator's output stud. */
  readonly studVolts: number;
  readonly fieldPercent: number;
  /** All that takes current beside the starter. */
  readonly loadAmps: number;
  /** Whether the modules sleep. */
  readonly isAsleep: boolean;
}

/** Inductance of motor and cables, H; inertia as amp-seconds per rpm of the torque current. */
const INDUCTANCE_H = 0.6e-3;
const INERTIA_AS_PER_RPM = 0.35;
/** Usual share of the load that is compression. */
export const PULSE_SHARE = 0.35;
/** Compressions begin to be felt as the engine turns, rpm. */
const TURNING_RPM = 40;
/** What modules and the fuel pump usually take with the key on, the engine not running, A. */
const KEY_ON_AMPS = 9;
const LAMPS_AMPS = 11;
/** With the key off modules work on for a while, A and s, then wait, A, and fall asleep, s. */
const AWAKE_AMPS = 3.2;
const AWAKE_S = 60;
const WAITING_AMPS = 0.6;
const FALLS_ASLEEP_S = 1500;
/** A firing engine: its speeds, rpm, how fast it gets there, s, the slowest crank it fires from, rpm, and after how long, s. */
export const IDLE_RPM = 850;
const THROTTLE_RPM = 2150;
const FLARE_S = 0.25;
const FIRES_AFTER_S = 0.6;
/** An engine that is switched off stands after about so long, s. */
const RUNS_DOWN_S = 0.4;
/** Steps, s: the starter engaged, the engine turning, and everything still. */
const CRANKING_STEP_S = 2e-4;
/** Once the inrush is over, s, volts and speed move only as fast as compressions come: a step is so many of its own. */
const INRUSH_S = 0.4;
const STEADY_STEPS = 4;
const TURNING_STEP_S = 2e-3;
const STILL_STEP_S = 0.05;
const PARKED_STEP_S = 20;

export class VehicleInTime {
  controls: Controls = AT_REST;
  readonly battery: BatteryInTime;
  readonly alternator: AlternatorInTime;
  readonly #stepS: number;
  readonly #keyOnAmps: number;
  readonly #loopOhm: number;
  readonly #outputOhm: number;
  readonly #cylinders: number;
  #seconds = 0;
  #motorA = 0;
  #rpm = 0;
  #compressions = 0;
  #isRunning = false;
  #crankedS = 0;
  /** How long the key has been off and nothing was touched, s. */
  #leftS = 0;
  /** How long since anything electrical changed, s: parked steps may be long. */
  #stillS = 0;

  constructor(
    readonly vehicle: Vehicle,
    private readonly options: TimeOptions = {},
  ) {
    const { diode = vehicle.humpsMissing > 0 ? (vehicle.diodeShorted ? 'shorted' : 'open') : 'sound' } = options;
    this.battery = new BatteryInTime(vehicle);
    this.alternator = new AlternatorInTime(vehicle, diode);
    this.#stepS = options.stepS ?? CRANKING_STEP_S;
    this.#keyOnAmps = options.keyOnAmps ?? KEY_ON_AMPS;
    this.#loopOhm = pathOhm(vehicle) + vehicle.motorOhm;
    this.#outputOhm = outputOhm(vehicle);
    this.#cylinders = vehicle.system.engine?.cylinders ?? 4;
  }

  /** Changes what hands hold. A key that is turned wakes the modules; lamps and what is clamped to the posts do not. */
  set(change: Partial<Controls>): void {
    if (change.key !== undefined && change.key !== this.controls.key) this.#leftS = 0;
    this.controls = { ...this.controls, ...change };
    this.#stillS = 0;
  }
  /** The modules are asleep at once, as if half an hour had passed. */
  fallAsleep(): void {
    this.#leftS = FALLS_ASLEEP_S;
  }

  get instant(): Instant {
    const { loadAmps, alternatorAmps, batteryAmps } = this.#currents(0);
    const postVolts = this.battery.voltsAt(batteryAmps);
    return {
      seconds: this.#seconds,
      postVolts,
      rippleVolts: this.#isRunning ? this.alternator.rippleVolts(this.#rpm) : 0,
      batteryAmps,
      motorAmps: this.#motorA,
      motorVolts: this.#isClosed() ? postVolts - this.#motorA * pathOhm(this.vehicle) : 0,
      rpm: this.#rpm,
      isRunning: this.#isRunning,
      isCranking: this.#isClosed(),
      alternatorAmps,
      studVolts: postVolts + alternatorAmps * this.#outputOhm,
      fieldPercent: this.alternator.fieldPercent,
      loadAmps,
      isAsleep: this.#isAsleep(),
    };
  }

  /** Lets time pass. @param seconds 0 or more. */
  advance(seconds: number): void {
    for (let left = seconds; left > 1e-12;) {
      const stepS = Math.min(left, this.#longestStep());
      this.#step(stepS);
      left -= stepS;
    }
  }

  #longestStep(): number {
    if (this.#isClosed() || this.#motorA > 0)
      return this.#crankedS > INRUSH_S ? this.#stepS * STEADY_STEPS : this.#stepS;
    if (this.#rpm > 1) return TURNING_STEP_S;
    // after a change the plates move fast, later slowly
    return Math.min(PARKED_STEP_S, Math.max(STILL_STEP_S, this.#stillS / 20));
  }

  #isClosed(): boolean {
    const { vehicle, controls } = this;
    return controls.key === 'start' && vehicle.controlVolts === 0 && !vehicle.isMotorOpen;
  }
  #isAsleep(): boolean {
    return this.controls.key === 'off' && this.#leftS >= FALLS_ASLEEP_S;
  }

  #loadAmps(): number {
    const { controls, vehicle } = this;
    const { ratedAmps, drainAmps } = vehicle;
    const outside = controls.testerAmps + (controls.lamps ? LAMPS_AMPS : 0);
    if (controls.key === 'off') return outside + drainAmps + this.#modulesAmps();
    const extra = (LOAD_SHARE[controls.loads] - LOAD_SHARE.off) * ratedAmps;
    // cranking sheds what can be shed
    if (controls.key === 'start') return outside + this.#keyOnAmps;
    return outside + (this.#isRunning ? LOAD_SHARE.off * ratedAmps : this.#keyOnAmps) + extra;
  }

  /** What modules take with the key off, beside the drain. */
  #modulesAmps(): number {
    if (this.#isAsleep()) return 0;
    return this.#leftS < AWAKE_S ? AWAKE_AMPS : WAITING_AMPS;
  }

  /** All currents at the posts. @param stepS Over a step of this length; 0 for this moment. */
  #currents(stepS: number): {
    readonly loadAmps: number;
    readonly alternatorAmps: number;
    readonly batteryAmps: number;
  } {
    const loadAmps = this.#loadAmps();
    const alternatorAmps = this.#isRunning ? this.alternator.amps(this.#rpm) : 0;
    const out = this.#motorA + loadAmps - alternatorAmps;
    return { loadAmps, alternatorAmps, batteryAmps: out - this.#chargerAmps(out, stepS) };
  }

  /** What a charger gives: its limit, or what the battery takes at the volts it holds. @param out What else leaves the battery, A. */
  #chargerAmps(out: number, stepS: number): number {
    const { chargerAmps, chargerVolts } = this.controls;
    if (chargerAmps <= 0) return 0;
    return Math.min(chargerAmps, Math.max(0, this.battery.ampsInto(chargerVolts, stepS) + out));
  }

  #step(stepS: number): void {
    this.#seconds += stepS;
    this.#stillS += stepS;
    if (this.controls.key === 'off') this.#leftS += stepS;
    this.#stepMotor(stepS);
    this.#stepEngine(stepS);
    const { batteryAmps, alternatorAmps } = this.#currents(stepS);
    const studVolts = this.battery.voltsAt(batteryAmps) + alternatorAmps * this.#outputOhm;
    this.battery.step(batteryAmps, stepS);
    this.alternator.step(this.#isRunning, this.#rpm, studVolts, stepS);
  }

  #stepMotor(stepS: number): void {
    const { vehicle, battery } = this;
    if (!this.#isClosed()) {
      this.#motorA = 0;
      this.#crankedS = 0;
      return;
    }
    this.#crankedS += stepS;
    const available = battery.innerVolts - this.#loadAmps() * battery.ohm;
    const loop = battery.ohm + this.#loopOhm;
    // a drive that slips lets the motor spin free: its own speed holds the current down
    const turns = vehicle.driveEngages
      ? vehicle.voltsPerRpm * this.#rpm
      : available - this.#freeAmps(available, loop) * loop;
    const grow = stepS / INDUCTANCE_H;
    this.#motorA = Math.max(0, (this.#motorA + grow * (available - turns)) / (1 + grow * loop));
  }
  #freeAmps(available: number, loop: number): number {
    return Math.min(this.vehicle.usualAmps * FREE_SHARE, available / loop);
  }

  #stepEngine(stepS: number): void {
    const { vehicle, controls } = this;
    if (controls.key === 'off' || !controls.hasFuel) this.#isRunning = false;
    else if (
      !this.#isRunning &&
      this.#isClosed() &&
      this.#crankedS >= FIRES_AFTER_S &&
      this.#rpm > FIRES_FROM_RPM &&
      vehicle.driveEngages
    )
      this.#isRunning = true;
    if (this.#isRunning) this.#rpm += ((IDLE_RPM + controls.throttle * THROTTLE_RPM - this.#rpm) * stepS) / FLARE_S;
    else if (this.#isClosed() && vehicle.driveEngages && !vehicle.locked && !vehicle.isJammed)
      this.#rpm = Math.max(0, this.#rpm + ((this.#motorA - this.#torqueAmps()) / INERTIA_AS_PER_RPM) * stepS);
    else this.#rpm *= Math.exp(-stepS / RUNS_DOWN_S);
    if (this.#rpm < 0.5 && !this.#isClosed()) this.#rpm = 0;
    this.#compressions += (this.#rpm / 120) * this.#cylinders * stepS;
  }

  /** What the engine asks of the starter at this place of its turn, as current. */
  #torqueAmps(): number {
    const { vehicle, options } = this;
    const { weakCylinder } = options;
    const place = this.#compressions;
    const isWeak = weakCylinder && Math.floor(place) % this.#cylinders === weakCylinder.index - 1;
    const has = isWeak ? weakCylinder.share : 1;
    const share = options.pulseShare ?? PULSE_SHARE;
    const felt = Math.min(1, this.#rpm / TURNING_RPM);
    const pulse = 1 + share * felt * (2 * has * Math.sin(Math.PI * place) ** 2 - 1);
    return (vehicle.loadAmps + vehicle.dragAmps) * pulse + vehicle.ampsPerRpm * this.#rpm;
  }
}
