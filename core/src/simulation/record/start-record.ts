/**
 * A whole start in time, as a recorder with two channels sees it: rest, key on, inrush, compressions, the
 * engine firing or not, recovery, charging with its ripple.
 */
import { batteryOhmAt, emf, pathOhm } from '../../circuit/model/cranking-circuit';
import { charge } from '../../circuit/model/charging-circuit';
import type { Vehicle } from '../../circuit/model/vehicle';
import { patternAt, ripplePattern } from './bridge';
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

/** Inductance of motor and cables, H; inertia as amp-seconds per rpm of the torque current. */
const INDUCTANCE_H = 0.6e-3;
const INERTIA_AS_PER_RPM = 0.35;
/** Share of the load that is compression and comes in pulses. */
const PULSE_SHARE = 0.35;
/** Compressions begin to be felt as the engine turns, rpm. */
const TURNING_RPM = 40;
/** Double layer: the share of the battery's resistance that answers slowly, and how slowly, s. */
const SLOW_SHARE = 0.25;
const SLOW_S = 0.4;
/** Modules and the fuel pump with the key on, A. */
const KEY_ON_AMPS = 9;
/** A firing engine: its speed at idle, rpm, how fast it gets there, s, and the slowest crank it fires from, rpm. */
const IDLE_RPM = 850;
const FLARE_S = 0.25;
const FIRES_FROM_RPM = 60;
/** The key is let go this long after the first firing, s. */
const RELEASE_AFTER_S = 0.35;
/** The alternator waits a moment after the start, and comes in softly, s. */
const ALTERNATOR_WAITS_S = 0.6;
const ALTERNATOR_RISES_S = 0.25;
/** What the battery takes at first, above its steady share, A, and how fast that falls, s. */
const GIVEN_BACK_AMPS = 35;
const GIVEN_BACK_S = 50;
/** Pole pairs, and turns of the alternator for one of the engine. */
const POLE_PAIRS = 6;
const PULLEY = 2.5;
/** The model's own step, s, at most. */
const STEP_S = 1e-4;

/** Electrical turns a second at an engine speed. */
const electricalHz = (rpm: number): number => (POLE_PAIRS * PULLEY * rpm) / 60;

/**
 * Integrates current, speed, crank angle and the battery's slow voltage by fixed steps: semi-implicit for the
 * current, which is stiff, explicit for the rest.
 *
 * @throws RangeError for a sample rate outside 100 to 100,000 a second.
 */
export function startRecord(vehicle: Vehicle, options: StartOptions = {}): StartRecord {
  const { sampleRateHz = 10_000, restS = 1, keyOnS = 0.8, crankS = 3, afterS = 4, fires = true } = options;
  const { weakCylinder, diode = vehicle.humpsMissing > 0 ? (vehicle.diodeShorted ? 'shorted' : 'open') : 'sound' } =
    options;
  if (!(sampleRateHz >= 100 && sampleRateHz <= 100_000))
    throw new RangeError(`sampleRateHz must lie from 100 to 100000, got ${sampleRateHz}`);
  const perSample = Math.max(1, Math.ceil(1 / (sampleRateHz * STEP_S)));
  const stepS = 1 / (sampleRateHz * perSample);
  const samples = Math.round((restS + keyOnS + crankS + afterS) * sampleRateHz);
  const volts = new Float32Array(samples);
  const amps = new Float32Array(samples);

  const open = emf(vehicle);
  const batteryOhm = batteryOhmAt(vehicle, vehicle.usualAmps);
  const fixedOhm = batteryOhm * (1 - SLOW_SHARE) + pathOhm(vehicle) + vehicle.motorOhm;
  const cylinders = vehicle.system.engine?.cylinders ?? 4;
  const works = vehicle.controlVolts === 0 && !vehicle.isMotorOpen;
  const idle = charge(vehicle, 'off', IDLE_RPM);
  const charges = idle.outputAmps > 2;
  const pattern = ripplePattern(diode);
  const keyAtS = restS;
  const crankAtS = restS + keyOnS;

  let motorA = 0;
  let rpm = 0;
  let compressions = 0;
  let slowV = 0;
  let electricalTurns = 0;
  let firedAtS = Infinity;
  let endS = crankAtS + crankS;
  const told = { inrushA: 0, inrushV: Infinity, volts: 0, amps: 0, rpm: 0, count: 0, chargedV: 0, chargedCount: 0 };
  for (let sample = 0; sample < samples; sample++) {
    let postV = open;
    let batteryA = 0;
    let seconds = 0;
    for (let step = 0; step < perSample; step++) {
      seconds = sample / sampleRateHz + step * stepS;
      const closed = works && seconds >= crankAtS && seconds < endS;
      if (firedAtS === Infinity && fires && closed && seconds >= crankAtS + crankS - RELEASE_AFTER_S)
        if (rpm > FIRES_FROM_RPM) {
          firedAtS = seconds;
          endS = Math.min(endS, seconds + RELEASE_AFTER_S);
        }
      const runs = seconds >= firedAtS;
      if (closed) {
        const drive = open - slowV - vehicle.voltsPerRpm * (vehicle.driveEngages ? rpm : vehicle.usualAmps);
        motorA = Math.max(0, (motorA + (stepS / INDUCTANCE_H) * drive) / (1 + (stepS / INDUCTANCE_H) * fixedOhm));
      } else motorA = 0;
      const has =
        weakCylinder && Math.floor(compressions) % cylinders === weakCylinder.index - 1 ? weakCylinder.share : 1;
      const felt = Math.min(1, rpm / TURNING_RPM);
      const pulse = 1 + PULSE_SHARE * felt * (2 * has * Math.sin(Math.PI * compressions) ** 2 - 1);
      const load = (vehicle.loadAmps + vehicle.dragAmps) * pulse + vehicle.ampsPerRpm * rpm;
      if (runs) rpm += ((IDLE_RPM - rpm) * stepS) / FLARE_S;
      else if (vehicle.driveEngages && !vehicle.locked)
        rpm = Math.max(0, rpm + ((motorA - load) / INERTIA_AS_PER_RPM) * stepS);
      compressions += (rpm / 120) * cylinders * stepS;

      const charging = runs && charges && seconds > firedAtS + RELEASE_AFTER_S + ALTERNATOR_WAITS_S;
      batteryA = motorA + (seconds >= keyAtS ? KEY_ON_AMPS : 0);
      postV = open - slowV - batteryA * batteryOhm * (1 - SLOW_SHARE);
      if (charging) {
        const since = seconds - firedAtS - RELEASE_AFTER_S - ALTERNATOR_WAITS_S;
        const risen = 1 - Math.exp(-since / ALTERNATOR_RISES_S);
        electricalTurns += electricalHz(rpm) * stepS;
        postV += risen * (idle.postVolts - postV + vehicle.rippleVolts * patternAt(pattern, electricalTurns));
        batteryA -= risen * (KEY_ON_AMPS + idle.batteryAmps + GIVEN_BACK_AMPS * Math.exp(-since / GIVEN_BACK_S));
        if (risen > 0.999) {
          told.chargedV += postV;
          told.chargedCount++;
        }
      } else slowV += ((batteryA * batteryOhm * SLOW_SHARE - slowV) * stepS) / SLOW_S;
      if (closed) {
        told.inrushA = Math.max(told.inrushA, batteryA);
        told.inrushV = Math.min(told.inrushV, postV);
        if (!runs && seconds > crankAtS + crankS / 2 && seconds < crankAtS + crankS - RELEASE_AFTER_S) {
          told.volts += postV;
          told.amps += batteryA;
          told.rpm += rpm;
          told.count++;
        }
      }
    }
    volts[sample] = postV;
    amps[sample] = batteryA;
  }
  const ran = firedAtS < Infinity;
  return {
    sampleRateHz,
    volts,
    amps,
    truth: {
      restVolts: open,
      crank: works ? { fromS: crankAtS, toS: ran ? endS : crankAtS + crankS } : null,
      inrush: works ? { volts: told.inrushV, amps: told.inrushA } : null,
      sustained:
        told.count > 0
          ? { volts: told.volts / told.count, amps: told.amps / told.count, rpm: told.rpm / told.count }
          : null,
      ran,
      charging:
        told.chargedCount > 0 ? { volts: told.chargedV / told.chargedCount, humpHz: 6 * electricalHz(IDLE_RPM) } : null,
    },
  };
}
