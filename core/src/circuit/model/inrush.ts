import { batteryOhmAt, crank, emf, pathOhm } from './cranking-circuit';
import type { Vehicle } from './vehicle';

/** What clamp and inductance leave of the current of a standing motor. */
const SEEN_SHARE = 0.75;

/** The first peak, A: the motor stands and only resistance limits. */
export function inrushAmps(vehicle: Vehicle): number {
  if (vehicle.controlVolts > 0) return 0;
  const stall = emf(vehicle) / (batteryOhmAt(vehicle, vehicle.cca / 2) + pathOhm(vehicle) + vehicle.motorOhm);
  return Math.max(crank(vehicle).amps, SEEN_SHARE * stall);
}
