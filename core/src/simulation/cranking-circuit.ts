/** The starting circuit in its steady state: one loop of battery, path and motor. */
import { coldFactor } from '../battery/cranking-resistance';
import { restingVolts } from '../battery/state-of-charge';
import type { Vehicle } from './vehicle';

export interface Cranking {
  readonly amps: number;
  readonly rpm: number;
  /** At the posts, V. */
  readonly postVolts: number;
  /** Across the motor, V. */
  readonly motorVolts: number;
  readonly drops: {
    readonly positivePost: number;
    readonly positiveCable: number;
    readonly solenoid: number;
    readonly ground: number;
    readonly negativePost: number;
  };
}

/** Volts of one 2 V cell that is gone, with what its dead plates still cost. */
const CELL_VOLTS = 2.1;
/** Free-running starter: share of the usual draw. */
const FREE_SHARE = 0.4;

/** Open-circuit volts of the pack. */
export function emf({ charge, deadCell, system, celsius, scale }: Vehicle): number {
  const { chemistry } = system.battery;
  return (
    restingVolts(charge, chemistry, system.nominalVolts, celsius) - (deadCell ? CELL_VOLTS * Math.min(1, scale) : 0)
  );
}

/** Battery resistance while cranking, ohm: colder, emptier and older resists more. */
export const batteryOhm = (vehicle: Vehicle): number =>
  (vehicle.batteryOhm * coldFactor(vehicle.celsius) * (1 + 0.5 * (1 - vehicle.charge)) * (vehicle.deadCell ? 1.8 : 1)) /
  vehicle.health;

export const pathOhm = (v: Vehicle): number =>
  v.positivePostOhm + v.positiveCableOhm + v.solenoidOhm + v.groundOhm + v.negativePostOhm;

/**
 * Solves EMF = I (battery + path + motor) + back-EMF with I = load + drag + viscous × speed. Where the
 * torque cannot turn the engine the speed is 0 and the current is what the loop lets through.
 */
export function crank(vehicle: Vehicle, loadFactor = 1): Cranking {
  const open = emf(vehicle);
  const controlled = vehicle.controlVolts === 0;
  const loop = batteryOhm(vehicle) + pathOhm(vehicle) + vehicle.motorOhm;
  let amps = 0;
  let rpm = 0;
  if (controlled && !vehicle.driveEngages) amps = Math.min(vehicle.usualAmps * FREE_SHARE, open / loop);
  else if (controlled) {
    const standing = (vehicle.loadAmps + vehicle.dragAmps) * loadFactor;
    rpm = vehicle.locked ? 0 : (open - standing * loop) / (vehicle.voltsPerRpm + vehicle.ampsPerRpm * loop);
    if (rpm < 8) rpm = 0;
    amps = rpm > 0 ? standing + vehicle.ampsPerRpm * rpm : open / loop;
  }
  const drop = (ohm: number): number => amps * ohm;
  return {
    amps,
    rpm,
    postVolts: open - amps * batteryOhm(vehicle),
    motorVolts: open - amps * (batteryOhm(vehicle) + pathOhm(vehicle)),
    drops: {
      positivePost: drop(vehicle.positivePostOhm),
      positiveCable: drop(vehicle.positiveCableOhm),
      solenoid: drop(vehicle.solenoidOhm),
      ground: drop(vehicle.groundOhm),
      negativePost: drop(vehicle.negativePostOhm),
    },
  };
}
