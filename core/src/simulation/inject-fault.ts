import type { FaultName } from '../case/vocabulary';
import type { Random } from './random';
import type { Spread } from './spread';
import type { Vehicle } from './vehicle';

type Inject = (vehicle: Vehicle, severity: number, random: Random, spread: Spread) => void;

const along = ([low, high]: readonly [number, number], severity: number): number => low + (high - low) * severity;
/** Ohms of an open path. */
const OPEN_OHM = 1e4;

const badOhm = ({ usualAmps, scale }: Vehicle, severity: number, { badPathVolts }: Spread): number =>
  severity > 0.97 ? OPEN_OHM : (along(badPathVolts, severity) * scale) / usualAmps;
const badChargeOhm = ({ ratedAmps, scale }: Vehicle, severity: number, { badPathVolts }: Spread): number =>
  (along(badPathVolts, severity) * scale) / (ratedAmps * 0.8);

/** What each fault does to a vehicle, from slight (severity 0) to complete (1). */
const FAULT_EFFECTS: Readonly<Record<FaultName, Inject>> = {
  none: () => undefined,
  'battery-discharged': (vehicle, severity) => void (vehicle.charge = along([0.6, 0.05], severity)),
  'battery-worn': (vehicle, severity, _random, { wornHealth: [low, high] }) =>
    void (vehicle.health = along([high, low], severity)),
  'battery-dead-cell': (vehicle) => void (vehicle.deadCell = true),
  'connection-positive-post': (vehicle, severity, _random, spread) =>
    void (vehicle.positivePostOhm = badOhm(vehicle, severity, spread)),
  'connection-negative-post': (vehicle, severity, _random, spread) =>
    void (vehicle.negativePostOhm = badOhm(vehicle, severity, spread)),
  'cable-starter-positive': (vehicle, severity, _random, spread) =>
    void (vehicle.positiveCableOhm = badOhm(vehicle, severity, spread)),
  'cable-starter-ground': (vehicle, severity, _random, spread) =>
    void (vehicle.groundOhm = badOhm(vehicle, severity, spread)),
  'solenoid-contacts': (vehicle, severity, _random, spread) =>
    void (vehicle.solenoidOhm = badOhm(vehicle, severity, spread)),
  'starter-control': (vehicle, severity, random) =>
    void (vehicle.controlVolts = random.between(0.1, 1 + 6 * (1 - severity)) * vehicle.scale),
  'starter-worn': (vehicle, severity) => void (vehicle.motorOhm *= along([2.4, 3.6], severity)),
  'starter-dragging': (vehicle, severity) => {
    vehicle.dragAmps = vehicle.usualAmps * along([0.8, 1.8], severity);
    vehicle.voltsPerRpm *= 1.15;
  },
  'starter-drive': (vehicle) => void (vehicle.driveEngages = false),
  'engine-drag': (vehicle, severity) => {
    vehicle.loadAmps *= along([2.1, 3.4], severity);
    vehicle.locked = severity > 0.9;
  },
  'accessory-seized': (vehicle, severity) => void (vehicle.loadAmps *= along([2.1, 3.4], severity)),
  'alternator-dead': (vehicle) => void (vehicle.alternatorShare = 0),
  'alternator-weak': (vehicle, severity) => void (vehicle.alternatorShare = along([0.66, 0.25], severity)),
  'alternator-diode': (vehicle, severity, random, { badRippleVolts }) => {
    vehicle.rippleVolts = along(badRippleVolts, severity) * vehicle.scale;
    vehicle.humpsMissing = severity > 0.7 ? 2 : 1;
    vehicle.alternatorShare *= along([0.8, 0.55], severity);
    vehicle.diodeShorted = random.chance(0.4);
    if (vehicle.diodeShorted) vehicle.drainAmps += 0.02;
  },
  'regulator-high': (vehicle, severity) =>
    void (vehicle.regulatorVolts = along([15.3, 16.8], severity) * vehicle.scale),
  'belt-slip': (vehicle, severity) => void (vehicle.beltShare = along([0.6, 0.15], severity)),
  'charge-cable-positive': (vehicle, severity, random, spread) => {
    vehicle.linkBlown = severity > 0.85 && random.chance(0.7);
    vehicle.chargeCableOhm = badChargeOhm(vehicle, severity, spread);
  },
  'charge-cable-ground': (vehicle, severity, _random, spread) =>
    void (vehicle.chargeGroundOhm = badChargeOhm(vehicle, severity, spread)),
  'charge-control': (vehicle) => void (vehicle.excited = false),
  'parasitic-drain': (vehicle, severity) => void (vehicle.drainAmps = 0.18 * 12 ** severity),
};

/** Gives a vehicle a fault. @param severity 0 (slight) to 1 (complete). */
export function injectFault(
  vehicle: Vehicle,
  fault: FaultName,
  severity: number,
  random: Random,
  spread: Spread,
): void {
  if (!(severity >= 0 && severity <= 1)) throw new RangeError(`severity must lie from 0 to 1, got ${severity}`);
  FAULT_EFFECTS[fault](vehicle, severity, random, spread);
}
