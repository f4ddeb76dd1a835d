/**
 * A whole start as a recorder with two channels sees it: rest, key on, inrush, compressions, the engine firing or not,
 * recovery, charging with its ripple. A view of the vehicle in time.
 */
import { emf } from '../../circuit/model/cranking-circuit';
import type { Vehicle } from '../../circuit/model/vehicle';
import { electricalHz } from '../time/alternator-in-time';
import { IDLE_RPM, VehicleInTime } from '../time/vehicle-in-time';
import type { Instant } from '../time/vehicle-in-time';
import type { DiodeState } from './bridge';

export interface StartOptions {
  /** Samples a second written; 100 to 100,000. */
  readonly sampleRateHz?: number;
  /** How long each part lasts, s. */
  readonly restS?: number;
  readonly keyOnS?: number;
  readonly crankS?: number;
  readonly afterS?: number;
  /** Whether the engine fires when it has cranked for `crankS`; a stopped fuel pump keeps it from that. */
  readonly fires?: boolean;
  /** Which compression of a round is weak, from 1, and what it still has of a sound one, 0 to 1. */
  readonly weakCylinder?: { readonly index: number; readonly share: number };
  readonly diode?: DiodeState;
}

/** What was true in the model, to hold a reading of the record against. */
export interface StartTruth {
  readonly restVolts: number;
  /** When the starter's current begins and ends, s; null where it never flows. */
  readonly crank: { readonly fromS: number; readonly toS: number } | null;
  readonly inrush: { readonly volts: number; readonly amps: number } | null;
  /** Means over the last half of the crank. */
  readonly sustained: { readonly volts: number; readonly amps: number; readonly rpm: number } | null;
  readonly ran: boolean;
  readonly charging: { readonly volts: number; readonly humpHz: number } | null;
}

export interface StartRecord {
  readonly sampleRateHz: number;
  readonly volts: Float32Array;
  /** Out of the battery; into it is below 0. */
  readonly amps: Float32Array;
  readonly truth: StartTruth;
}

/** The key is let go this long after the first firing, s. */
const RELEASE_AFTER_S = 0.35;
/** From when on the charge is settled, s after the engine fired. */
const SETTLES_S = 2.5;
const CHARGES_FROM_A = 2;

/** Sums of what is sampled, for its means. */
class Mean {
  #sum = 0;
  #count = 0;
  add(value: number): void {
    this.#sum += value;
    this.#count++;
  }
  get value(): number | null {
    return this.#count > 0 ? this.#sum / this.#count : null;
  }
}

/** @throws RangeError for a sample rate outside 100 to 100,000 a second. */
export function startRecord(vehicle: Vehicle, options: StartOptions = {}): StartRecord {
  const { sampleRateHz = 10_000, restS = 1, keyOnS = 0.8, crankS = 3, afterS = 4, fires = true } = options;
  if (!(sampleRateHz >= 100 && sampleRateHz <= 100_000))
    throw new RangeError(`sampleRateHz must lie from 100 to 100000, got ${sampleRateHz}`);
  // the vehicle is as it was for whoever takes the next reading
  const model = new VehicleInTime({ ...vehicle }, options);
  model.fallAsleep();
  const samples = Math.round((restS + keyOnS + crankS + afterS) * sampleRateHz);
  const [volts, amps] = [new Float32Array(samples), new Float32Array(samples)];
  const crankAtS = restS + keyOnS;
  const endS = crankAtS + crankS;
  const told = new StartTold(emf(vehicle), { fromS: crankAtS, toS: endS });
  for (let sample = 0; sample < samples; sample++) {
    const seconds = sample / sampleRateHz;
    if (sample === Math.round(restS * sampleRateHz)) model.set({ key: 'on' });
    // it fires as late as its crank is to last: until then there is no fuel
    if (sample === Math.round(crankAtS * sampleRateHz)) model.set({ key: 'start', hasFuel: false });
    if (fires && sample === Math.round((endS - RELEASE_AFTER_S) * sampleRateHz)) model.set({ hasFuel: true });
    if (sample === Math.round(endS * sampleRateHz)) model.set({ key: 'on' });
    const now = model.instant;
    volts[sample] = now.postVolts + now.rippleVolts;
    // the humps drive a current of their own through the battery
    amps[sample] = now.batteryAmps - now.rippleVolts / vehicle.batteryOhm;
    told.add(seconds, now);
    model.advance(1 / sampleRateHz);
  }
  return { sampleRateHz, volts, amps, truth: told.truth };
}

/** Gathers what was true. */
class StartTold {
  #inrushA = 0;
  #inrushV = Infinity;
  #crankedToS: number | null = null;
  #firedAtS: number | null = null;
  readonly #sustained = { volts: new Mean(), amps: new Mean(), rpm: new Mean() };
  readonly #chargedV = new Mean();

  constructor(
    private readonly restVolts: number,
    private readonly crank: { readonly fromS: number; readonly toS: number },
  ) {}

  add(seconds: number, now: Instant): void {
    const { fromS, toS } = this.crank;
    if (now.isRunning) this.#firedAtS ??= seconds;
    if (now.isCranking && seconds <= toS) {
      this.#crankedToS = seconds;
      this.#inrushA = Math.max(this.#inrushA, now.batteryAmps);
      if (now.motorAmps > 0) this.#inrushV = Math.min(this.#inrushV, now.postVolts);
      if (!now.isRunning && seconds > (fromS + toS) / 2 && seconds < toS - RELEASE_AFTER_S) {
        this.#sustained.volts.add(now.postVolts);
        this.#sustained.amps.add(now.batteryAmps);
        this.#sustained.rpm.add(now.rpm);
      }
    }
    if (this.#firedAtS !== null && seconds > this.#firedAtS + SETTLES_S && now.alternatorAmps > CHARGES_FROM_A)
      this.#chargedV.add(now.postVolts);
  }

  get truth(): StartTruth {
    const cranked = this.#crankedToS !== null;
    const [volts, amps, rpm] = [this.#sustained.volts.value, this.#sustained.amps.value, this.#sustained.rpm.value];
    const charged = this.#chargedV.value;
    return {
      restVolts: this.restVolts,
      crank: cranked ? { fromS: this.crank.fromS, toS: this.#crankedToS! } : null,
      inrush: cranked ? { volts: this.#inrushV, amps: this.#inrushA } : null,
      sustained: volts !== null && amps !== null && rpm !== null ? { volts, amps, rpm } : null,
      ran: this.#firedAtS !== null,
      charging: charged === null ? null : { volts: charged, humpHz: 6 * electricalHz(IDLE_RPM) },
    };
  }
}
