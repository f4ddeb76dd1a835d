import type { Chemistry } from './battery-words';
import { interpolate } from '../quantities/interpolate';
import type { Points } from '../quantities/interpolate';

/** Temperature at which the table of resting volts holds, °C. */
const TABLE_CELSIUS = 25;

/** What is known of a battery's temperature, °C; where nobody measured it, it is a guess. */
export interface BatteryTemperature {
  readonly celsius: number;
  readonly celsiusKnown: boolean;
}

/** The temperature that resting volts are taken at, °C: as measured, else that of the table. */
export const restingCelsius = ({ celsius, celsiusKnown }: BatteryTemperature): number =>
  celsiusKnown ? celsius : TABLE_CELSIUS;

/** Resting volts of a 12 V battery at that temperature against state of charge (docs/criteria.md, resting voltage). */
const RESTING_VOLTS: Readonly<Record<Chemistry, Points>> = {
  flooded: [
    [0, 11.89],
    [0.25, 12.06],
    [0.5, 12.24],
    [0.75, 12.45],
    [1, 12.65],
  ],
  efb: [
    [0, 11.9],
    [0.25, 12.1],
    [0.5, 12.3],
    [0.75, 12.5],
    [1, 12.7],
  ],
  agm: [
    [0, 11.8],
    [0.25, 12.0],
    [0.5, 12.3],
    [0.75, 12.6],
    [1, 12.85],
  ],
  tppl: [
    [0, 11.8],
    [0.25, 12.0],
    [0.5, 12.3],
    [0.75, 12.6],
    [1, 12.85],
  ],
  gel: [
    [0, 11.8],
    [0.25, 12.0],
    [0.5, 12.35],
    [0.75, 12.65],
    [1, 12.85],
  ],
};

const swap = (points: Points): Points => points.map(([x, y]) => [y, x] as const);
const CHARGE_OF_VOLTS = Object.fromEntries(
  Object.entries(RESTING_VOLTS).map(([chemistry, points]) => [chemistry, swap(points)]),
) as Record<Chemistry, Points>;

/**
 * Change of a 12 V lead-acid battery's open-circuit voltage with temperature, V per °C: 0.2 mV per °C
 * and cell, the reversible heat of the lead-acid cell at usual acid strength.
 */
export const VOLTS_PER_CELSIUS = 0.0012;

/**
 * Resting volts brought to 25 °C and to one 12 V battery.
 *
 * @param volts Resting voltage at the posts, V.
 * @param nominalVolts 6, 12 or 24.
 * @param celsius Battery temperature, °C.
 * @example restingVoltsAt25(24.96, 24, 5) // 12.504: two of 12.48 V at 5 °C
 */
export function restingVoltsAt25(volts: number, nominalVolts: number, celsius = 25): number {
  return (volts * 12) / nominalVolts + VOLTS_PER_CELSIUS * (25 - celsius);
}

/**
 * State of charge from resting voltage. It tells how full a battery is, never how good.
 *
 * @param volts Resting voltage at the posts, V, surface charge gone.
 * @param chemistry Chemistry on the label.
 * @param nominalVolts 6, 12 or 24.
 * @param celsius Battery temperature, °C; 25 where it is not known.
 * @returns 0 to 1, held at the ends of the table.
 */
export function stateOfCharge(volts: number, chemistry: Chemistry, nominalVolts: number, celsius = 25): number {
  return interpolate(CHARGE_OF_VOLTS[chemistry], restingVoltsAt25(volts, nominalVolts, celsius));
}

/**
 * Resting volts that a state of charge shows at a temperature: the inverse of {@link stateOfCharge}.
 *
 * @param charge State of charge, 0 to 1; held at those ends.
 * @param nominalVolts 6, 12 or 24.
 * @param celsius Battery temperature, °C; 25 where it is not known.
 * @returns V at the posts.
 */
export function restingVolts(charge: number, chemistry: Chemistry, nominalVolts: number, celsius = 25): number {
  const at25 = interpolate(RESTING_VOLTS[chemistry], charge);
  return ((at25 - VOLTS_PER_CELSIUS * (25 - celsius)) * nominalVolts) / 12;
}

/** Temperature at which the electrolyte freezes, °C, by state of charge (docs/criteria.md, frozen batteries). */
const FREEZING: Points = [
  [0, -7],
  [0.25, -15],
  [0.5, -24],
  [0.75, -35],
  [1, -57],
];

/**
 * The temperature below which the electrolyte of a lead-acid battery may freeze.
 *
 * @param charge State of charge, 0 to 1; held at those ends.
 * @returns °C: −7 when flat, −57 when full.
 */
export const freezingCelsius = (charge: number): number => interpolate(FREEZING, charge);
