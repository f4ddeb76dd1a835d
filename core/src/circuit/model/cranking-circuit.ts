/** The starting circuit in its steady state: one loop of battery, path and motor. */
import { coldFactor, emptyFactor } from '../../battery/cranking-resistance';
import { missingCellVolts } from '../../battery/missing-cell';
import { convertRating, loadTestAmps, packCca, testerStandard } from '../../battery/rating';
import { sagShare } from '../../battery/sag-share';
import { restingVolts } from '../../battery/state-of-charge';
import { PATHS } from '../paths';
import type { PieceName } from '../paths';
import type { Vehicle } from './vehicle';

export interface Cranking {
  readonly amps: number;
  readonly rpm: number;
  /** At the posts, V. */
  readonly postVolts: number;
  /** Across the motor, V. */
  readonly motorVolts: number;
}

/** How much more the dead plates of a cell that is gone resist. */
const DEAD_CELL_RESISTS = 1.8;
/** Small-signal resistance over the cranking resistance (docs/criteria.md, internal resistance). */
const SMALL_SIGNAL = 0.75;
/** Free-running starter: share of the usual draw. */
export const FREE_SHARE = 0.4;
/** An engine fires from this crank speed on, rpm. */
export const FIRES_FROM_RPM = 60;
/** Slower than this the engine stands, rpm. */
const STALL_RPM = 8;
/** Rounds in which sag and current find each other. */
const ROUNDS = 20;

const startingPieces = (): readonly PieceName[] => [
  ...PATHS['drop-starter-positive'].pieces,
  ...PATHS['drop-starter-ground'].pieces,
];
const STARTING = /* @__PURE__ */ startingPieces();

/** Open-circuit volts of the pack. */
export function emf({ charge, deadCell, system, celsius, scale }: Vehicle): number {
  const { chemistry } = system.battery;
  return restingVolts(charge, chemistry, system.nominalVolts, celsius) - (deadCell ? missingCellVolts(scale) : 0);
}

/** Sag of this battery under half its CCA, V: colder, emptier and older sags more. */
const halfCcaSag = ({ batteryOhm, cca, celsius, charge, deadCell, health }: Vehicle): number =>
  (batteryOhm * (cca / 2) * coldFactor(celsius) * emptyFactor(charge) * (deadCell ? DEAD_CELL_RESISTS : 1)) / health;

/**
 * Volts at the posts under a current.
 *
 * @param amps Out of the battery, A; 0 or more.
 * @param factor What a tester's own error makes of the sag.
 */
export const batteryVoltsAt = (vehicle: Vehicle, amps: number, factor = 1): number =>
  emf(vehicle) - halfCcaSag(vehicle) * sagShare(amps / vehicle.cca) * factor;

/** Volts that a current out of the battery costs, V. @param amps 0 or more. */
export const sagAt = (vehicle: Vehicle, amps: number): number => halfCcaSag(vehicle) * sagShare(amps / vehicle.cca);

/**
 * What a battery resists at this current, ohm: sag over amps, which falls as the current grows.
 *
 * @param amps Out of the battery, A; above 0.
 */
export const batteryOhmAt = (vehicle: Vehicle, amps: number): number => sagAt(vehicle, amps) / amps;

/** Share of the steepest sag by current that is plain resistance, answering at once. */
const OHMIC_SHARE = 0.75;
/** The part of the battery's resistance that answers at once, ohm; what is left of the sag comes with time. */
export const ohmicOhm = (vehicle: Vehicle): number => OHMIC_SHARE * batteryOhmAt(vehicle, vehicle.cca / 2);

/** Amps that a load tester is set to by the label, half the CCA: the pack's own where no label tells. */
export const halfCcaAmps = ({ system, cca }: Vehicle): number =>
  Math.round(loadTestAmps(packCca(system.battery) ?? cca));

/** What a dead cell leaves of what a conductance tester measures. */
const DEAD_CELL_SHARE = 0.45;
/** As a conductance tester gives it, SAE cold cranking amps. */
export const testerCca = ({ cca, health, deadCell }: Vehicle): number =>
  cca * health * (deadCell ? DEAD_CELL_SHARE : 1);

/** As a tester gives it that is set by the label, A in the label's own standard. @param factor The tester's own error. */
export const testerAmps = (vehicle: Vehicle, factor = 1): number =>
  Math.round(
    convertRating({ value: testerCca(vehicle) * factor, standard: 'SAE' }, testerStandard(vehicle.system.battery))!,
  );

/** As a small-signal tester gives it, 21 °C, ohm. */
export const smallSignalOhm = ({ batteryOhm, deadCell, health }: Vehicle): number =>
  (batteryOhm * SMALL_SIGNAL * (deadCell ? DEAD_CELL_RESISTS : 1)) / health;

/** Ohms from post to motor and back. */
export const pathOhm = ({ pieces }: Vehicle): number => STARTING.reduce((sum, piece) => sum + pieces[piece], 0);

/**
 * Solves EMF = sag(I) + I (path + motor) + back-EMF with I = load + drag + viscous × speed. Where the
 * torque cannot turn the engine the speed is 0 and the current is what the loop lets through.
 */
export function crank(vehicle: Vehicle): Cranking {
  const open = emf(vehicle);
  const path = pathOhm(vehicle);
  if (vehicle.controlVolts !== 0) return { amps: 0, rpm: 0, postVolts: open, motorVolts: 0 };
  if (vehicle.isMotorOpen) return { amps: 0, rpm: 0, postVolts: open, motorVolts: open };
  let amps = vehicle.usualAmps;
  let rpm = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const loop = batteryOhmAt(vehicle, Math.max(amps, 1)) + path + vehicle.motorOhm;
    let next: number;
    if (!vehicle.driveEngages) next = Math.min(vehicle.usualAmps * FREE_SHARE, open / loop);
    else {
      const standing = vehicle.loadAmps + vehicle.dragAmps;
      rpm =
        vehicle.locked || vehicle.isJammed
          ? 0
          : (open - standing * loop) / (vehicle.voltsPerRpm + vehicle.ampsPerRpm * loop);
      if (rpm < STALL_RPM) rpm = 0;
      next = rpm > 0 ? standing + vehicle.ampsPerRpm * rpm : open / loop;
    }
    amps = round === ROUNDS - 1 ? next : (amps + next) / 2;
  }
  const postVolts = batteryVoltsAt(vehicle, amps);
  return { amps, rpm, postVolts, motorVolts: postVolts - amps * path };
}
