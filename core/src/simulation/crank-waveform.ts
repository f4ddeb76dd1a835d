/** The starting circuit in time: rest, inrush, compressions, recovery, as a recorder would see them. */
import { batteryOhmAt, emf, pathOhm } from './cranking-circuit';
import type { Vehicle } from './vehicle';

export interface Sample {
  readonly seconds: number;
  readonly volts: number;
  readonly amps: number;
  readonly rpm: number;
}

/** When the key turns to start and back, s. */
const KEY_AT_S = 0.5;
const RELEASE_AT_S = 4.5;
const END_S = 6;
/** Inductance of motor and cables, H; inertia as amp-seconds per rpm of the torque current. */
const INDUCTANCE_H = 0.6e-3;
const INERTIA_AS_PER_RPM = 0.35;
/** Share of the load that is compression and comes in pulses. */
const PULSE_SHARE = 0.35;
/** Double layer: the share of the battery's resistance that answers slowly, and how slowly, s. */
const SLOW_SHARE = 0.25;
const SLOW_S = 0.4;

/**
 * Integrates current, speed, crank angle and the battery's slow voltage by fixed steps: semi-implicit
 * for the current, which is stiff, explicit for the rest.
 *
 * @param stepS Time between samples, s; at most 1 ms.
 */
export function crankWaveform(vehicle: Vehicle, stepS = 0.5e-3): readonly Sample[] {
  if (!(stepS > 0 && stepS <= 1e-3))
    throw new RangeError(`stepS must lie above 0 and be at most 0.001 s, got ${stepS}`);
  const open = emf(vehicle);
  const battery = batteryOhmAt(vehicle, vehicle.usualAmps);
  const cylinders = vehicle.system.engine?.cylinders ?? 4;
  const works = vehicle.controlVolts === 0;
  const fixedOhm = battery * (1 - SLOW_SHARE) + pathOhm(vehicle) + vehicle.motorOhm;
  const samples: Sample[] = [];
  let amps = 0;
  let rpm = 0;
  let turns = 0;
  let slowV = 0;
  for (let seconds = 0; seconds < END_S; seconds += stepS) {
    const closed = works && seconds >= KEY_AT_S && seconds < RELEASE_AT_S;
    if (closed) {
      const drive = open - slowV - vehicle.voltsPerRpm * (vehicle.driveEngages ? rpm : vehicle.usualAmps);
      amps = Math.max(0, (amps + (stepS / INDUCTANCE_H) * drive) / (1 + (stepS / INDUCTANCE_H) * fixedOhm));
    } else amps = 0;
    const pulse = 1 - PULSE_SHARE * Math.cos(2 * Math.PI * turns * (cylinders / 2)) * Math.min(1, rpm / 40);
    const load = (vehicle.loadAmps + vehicle.dragAmps) * pulse + vehicle.ampsPerRpm * rpm;
    const torque = (closed ? amps : 0) - load;
    if (vehicle.driveEngages && !vehicle.locked) rpm = Math.max(0, rpm + (torque / INERTIA_AS_PER_RPM) * stepS);
    turns += (rpm / 60) * stepS;
    slowV += ((amps * battery * SLOW_SHARE - slowV) * stepS) / SLOW_S;
    samples.push({ seconds, volts: open - slowV - amps * battery * (1 - SLOW_SHARE), amps, rpm });
  }
  return samples;
}
