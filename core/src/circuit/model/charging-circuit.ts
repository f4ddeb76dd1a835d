/** The charging circuit in its steady state: regulator, capability by speed, belt, cable and loads. */
import { warmAcceptance } from '../../battery/warm-acceptance';
import { PATHS } from '../paths';
import { emf, sagAt } from './cranking-circuit';
import type { Vehicle } from './vehicle';

export interface Charging {
  /** At the posts, V. */
  readonly postVolts: number;
  /** At the alternator's output stud, V. */
  readonly studVolts: number;
  /** Output, A; into the battery, A. */
  readonly outputAmps: number;
  readonly batteryAmps: number;
  readonly fieldPercent: number;
}

/** Vehicle loads as a share of the alternator's rating. */
export const LOAD_SHARE = { off: 0.16, on: 0.62, full: 1.25 } as const;
export type Loads = keyof typeof LOAD_SHARE;

/** Pieces that the alternator's current passes. */
export const OUTPUT_PATH = [...PATHS['drop-charge-positive'].pieces, ...PATHS['drop-charge-ground'].pieces];
/** Resistance of a battery that takes or gives charge, over its cranking resistance. */
const CHARGE_RESISTANCE_RATIO = 4;

/** Enough for a millionth of the output. */
const HALVINGS = 24;

/** Share of its rating an alternator gives at an engine speed. @param rpm Engine speed, 1/min. */
export const speedShare = (rpm: number): number => Math.max(0, Math.min(1, 0.45 + (rpm - 700) / 2400));

/** Ohms above the open voltage that a battery takes a charging current through: it takes less as it fills, and in the cold. */
export const chargingOhm = (vehicle: Vehicle): number =>
  (vehicle.batteryOhm * CHARGE_RESISTANCE_RATIO) /
  (0.12 + 0.6 * (1 - vehicle.charge)) /
  warmAcceptance(vehicle.celsius);

/**
 * Volts at the posts under a lasting current into the battery; below 0 it gives current.
 *
 * @param amps Into the battery, A; below 0 out of it.
 */
export const voltsInto = (vehicle: Vehicle, amps: number): number =>
  emf(vehicle) + (amps >= 0 ? amps * chargingOhm(vehicle) : -sagAt(vehicle, -amps));

/** What the alternator could give at an engine speed, A. @param rpm Engine speed, 1/min. */
export const ableAmps = (vehicle: Vehicle, rpm: number): number =>
  vehicle.excited && !vehicle.linkBlown
    ? vehicle.alternatorShare * vehicle.beltShare * speedShare(rpm) * vehicle.ratedAmps
    : 0;

/** Ohms of the alternator's output path, there and back. */
export const outputOhm = ({ pieces }: Vehicle): number => OUTPUT_PATH.reduce((sum, piece) => sum + pieces[piece], 0);

/** The output at which the stud has the volts that the regulator aims at. @param able Where it has more. */
function outputFor(studAt: (output: number) => number, target: number, able: number): number {
  let [low, high] = [0, able];
  for (let round = 0; round < HALVINGS; round++) {
    const middle = (low + high) / 2;
    if (studAt(middle) > target) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}

/**
 * @param loads Share of the rating that is asked.
 * @param rpm Engine speed, 1/min.
 * @param target Regulator's aim at the stud, V.
 */
export function charge(vehicle: Vehicle, loads: Loads, rpm: number, target = vehicle.regulatorVolts): Charging {
  const loadAmps = LOAD_SHARE[loads] * vehicle.ratedAmps;
  const able = ableAmps(vehicle, rpm);
  const path = outputOhm(vehicle);
  const studAt = (output: number): number => voltsInto(vehicle, output - loadAmps) + output * path;
  const limited = studAt(able) <= target;
  const given = limited ? able : outputFor(studAt, target, able);
  const postVolts = voltsInto(vehicle, given - loadAmps);
  return {
    postVolts,
    studVolts: postVolts + given * path,
    outputAmps: given,
    batteryAmps: given - loadAmps,
    fieldPercent: limited ? 100 : Math.min(100, (100 * given) / Math.max(1, able)),
  };
}
