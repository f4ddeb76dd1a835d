import { interpolate } from '../quantities/interpolate';
import type { Points } from '../quantities/interpolate';

/**
 * The sag of a battery at a fraction of its CCA, as a share of its sag at half the CCA. A part is there already
 * at small currents (polarisation), a part grows with the current (docs/criteria.md, sag by current).
 */
const SHARE_OF_HALF_CCA_SAG: Points = [
  [0, 0],
  [0.05, 0.16],
  [0.1, 0.26],
  [0.15, 0.36],
  [0.2, 0.46],
  [0.3, 0.65],
  [0.5, 1],
  [1, 1.9],
  // beyond its CCA a battery sags on in proportion: a locked starter takes several times that
  [5, 9.1],
];

/**
 * @param fraction Current over the battery's CCA (SAE), 0 to 5.
 * @returns sag at this current over the sag at half the CCA; 1 at 0.5.
 */
export const sagShare = (fraction: number): number => interpolate(SHARE_OF_HALF_CCA_SAG, fraction);

/**
 * The voltage a half-CCA load test would have shown, from what a smaller or larger load did.
 *
 * @param restingV Resting voltage, V.
 * @param loadedV Voltage at the posts under the load, V.
 * @param amps The load, A; above 0.
 * @param cca Cold-cranking amps (SAE) of what was loaded, A; above 0.
 * @returns V, down to below 0 for a ruined battery.
 */
export const halfCcaVolts = (restingV: number, loadedV: number, amps: number, cca: number): number =>
  restingV - (restingV - loadedV) / sagShare(amps / cca);

/** Open volts that the floor of a half-CCA load test is told from: a full battery (12 V). */
export const FULL_OPEN_VOLTS = 12.6;
/** Loads this near to half the CCA, as a share of it, are half the CCA: a carbon pile is set by ear. */
const IS_HALF = 0.05;

/**
 * The floor of a load test at any load: the open volts less the sag that the half-CCA floor allows, times the share that this
 * load makes of it (docs/criteria.md, load test).
 *
 * @param halfFloorV Floor at half the CCA for the battery's temperature, V.
 * @param restingV Resting voltage, V; null where none was read. Over that of a full battery it is surface charge.
 * @param amps The load, A; above 0.
 * @param cca Cold-cranking amps (SAE) of what is loaded, A; above 0.
 * @param scale Nominal volts over 12.
 * @returns V under load at its end.
 * @example loadFloorVolts(9.6, 12.6, 100, 600, 1) // 11.4
 */
export function loadFloorVolts(
  halfFloorV: number,
  restingV: number | null,
  amps: number,
  cca: number,
  scale: number,
): number {
  if (Math.abs(amps / cca - 0.5) <= IS_HALF * 0.5) return halfFloorV;
  const full = FULL_OPEN_VOLTS * scale;
  const open = Math.min(restingV ?? full, full);
  return open - (full - halfFloorV) * sagShare(amps / cca);
}
