/** What starts take out of a battery, what driving puts back, and how long it may stand. */
import { daysStanding, usualCapacityAh } from '../battery/standing';
import { charge } from '../circuit/model/charging-circuit';
import type { Loads } from '../circuit/model/charging-circuit';
import { crank } from '../circuit/model/cranking-circuit';
import type { System } from '../format/case-shape';
import type { Measure } from './measures';
import { withMeasuredSpeed } from './vehicle-from-measures';

/** All of it can be changed. */
export interface TripAssumptions {
  readonly celsius: number;
  readonly charge: number;
  readonly startsADay: number;
  readonly secondsAStart: number;
  /** Share of driving at idle speed, 0 to 1. */
  readonly idleShare: number;
  readonly loads: Loads;
}
export const USUAL_TRIPS: TripAssumptions = {
  celsius: 10,
  charge: 0.85,
  startsADay: 4,
  secondsAStart: 1.5,
  idleShare: 0.3,
  loads: 'off',
};
export interface ShortTrips {
  /** One start takes this out, Ah. */
  readonly ahAStart: number;
  /** Into the battery at idle speed and while driving, A; below 0 it gives. */
  readonly idleAmps: number;
  readonly drivingAmps: number;
  /** Minutes of driving a day that put back what starts and standing take; null where driving puts nothing back. */
  readonly minutesADay: number | null;
  /** Days it may stand until it no longer starts; null where nothing drains it. */
  readonly standsDays: number | null;
}

const IDLE_RPM = 850;
const DRIVING_RPM = 2000;
const SECONDS_AN_HOUR = 3600;
const HOURS_A_DAY = 24;
/** Of what goes in so much comes out again. */
const CHARGE_EFFICIENCY = 0.9;

export function shortTrips(system: System, measures: readonly Measure[], given: TripAssumptions): ShortTrips {
  const { celsius, startsADay, secondsAStart, idleShare, loads } = given;
  const vehicle = withMeasuredSpeed(system, measures, celsius, given);
  const { amps } = crank(vehicle);
  const ahAStart = (amps * secondsAStart) / SECONDS_AN_HOUR;
  const idleAmps = charge(vehicle, loads, IDLE_RPM).batteryAmps;
  const drivingAmps = charge(vehicle, loads, DRIVING_RPM).batteryAmps;
  const putBack = (idleAmps * idleShare + drivingAmps * (1 - idleShare)) * CHARGE_EFFICIENCY;
  const taken = ahAStart * startsADay + vehicle.drainAmps * HOURS_A_DAY;
  const { capacityAh = usualCapacityAh(vehicle.cca) } = system.battery;
  return {
    ahAStart,
    idleAmps,
    drivingAmps,
    minutesADay: putBack > 0 ? (taken / putBack) * 60 : null,
    standsDays:
      vehicle.drainAmps > 0 ? daysStanding(capacityAh * vehicle.health, given.charge, vehicle.drainAmps) : null,
  };
}
