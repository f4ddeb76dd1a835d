/** What a test's file sees of a simulated vehicle when it gives its reading. */
import type { Reading } from '../format/reading-shape';
import type { ReadingConditions } from '../format/conditions';
import { PATHS } from '../circuit/paths';
import type { PathTest } from '../circuit/paths';
import { charge } from '../circuit/model/charging-circuit';
import type { Charging, Loads } from '../circuit/model/charging-circuit';
import { FIRES_FROM_RPM, crank } from '../circuit/model/cranking-circuit';
import type { Cranking } from '../circuit/model/cranking-circuit';
import type { Random } from '../circuit/model/random';
import type { Spread } from '../circuit/model/spread';
import type { Vehicle } from '../circuit/model/vehicle';

/** A reading without its id and test. */
export interface Measured {
  readonly value: Reading['value'];
  readonly notPossible?: Reading['notPossible'];
  readonly conditions: ReadingConditions;
}

export interface SimulatedBench {
  readonly vehicle: Vehicle;
  readonly random: Random;
  readonly spread: Spread;
  /** Conditions asked for: load amps, loads on or off, which battery. */
  readonly wanted: Readonly<Record<string, unknown>>;
  readonly cranking: Cranking;
  /** Turns fast enough to fire. */
  readonly starts: boolean;
  /** At 2000 rpm with everything on and a load tester besides. */
  readonly full: Charging;
  readonly loads: 'off' | 'on';
  running(loads: Loads, rpm: number, target?: number): Charging;
  /** What a meter shows: the truth with the instrument's error. */
  volts(value: number, decimals?: number): number;
  millivolts(value: number): number;
  amps(value: number): number;
  /** Volts lost along a path at this current. */
  lost(test: PathTest, amps: number): number;
}

/** A reading that was taken. @param value In the unit of its test. */
export const done = (value: Reading['value'], conditions: ReadingConditions = {}): Measured => ({ value, conditions });
/** A reading that could not be taken, with the reason. */
export const cannot = (notPossible: NonNullable<Reading['notPossible']>): Measured => ({
  value: null,
  notPossible,
  conditions: {},
});

/** To so many decimals, as a display shows it. @param value In any unit. @param decimals 0 or more. */
export const round = (value: number, decimals: number): number => Number(value.toFixed(decimals));

/** Relative error and last digits, V, of a drop. */
const DROP_ERROR = 0.03;
const DROP_DIGITS_VOLTS = 0.006;

/** Sets a vehicle up to be measured, by one hand with its instruments. */
export function simulatedBench(
  vehicle: Vehicle,
  random: Random,
  spread: Spread,
  wanted: Readonly<Record<string, unknown>> = {},
): SimulatedBench {
  const cranking = crank(vehicle);
  return {
    vehicle,
    random,
    spread,
    wanted,
    cranking,
    starts: cranking.rpm > FIRES_FROM_RPM,
    get full() {
      return charge(vehicle, 'full', 2000);
    },
    loads: wanted['loads'] === 'on' ? 'on' : 'off',
    running: (loads, rpm, target) => charge(vehicle, loads, rpm, target),
    volts: (value, decimals = 2) => round(value + random.normal(0, spread.voltsError * vehicle.scale), decimals),
    millivolts: (value) =>
      round(Math.max(0, value * random.factor(DROP_ERROR) + random.normal(0, DROP_DIGITS_VOLTS)), 3),
    amps: (value) => round(Math.max(0, value * random.factor(spread.ampsError)), value < 20 ? 2 : 0),
    lost: (test, amps) => PATHS[test].pieces.reduce((sum, piece) => sum + vehicle.pieces[piece], 0) * amps,
  };
}
