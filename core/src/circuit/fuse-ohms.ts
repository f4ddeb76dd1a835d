/**
 * The resistance of a blade fuse by its rating: what millivolts across a fuse in place are a current by.
 *
 * Typical cold resistances of standard blade fuses follow R = 0.123 Ω · (rating / A)^−1.2 from 2 to 80 A; smaller forms of
 * one rating differ by some per cent. ISO 8820-3 bounds the drop at the rated current for each form, which keeps fuses of
 * different makers within about a fifth of each other.
 */
import type { FuseForm } from '../format/words';

/** Ohms of a standard blade fuse of 1 A, and how they fall with the rating. */
const ONE_AMP_OHM = 0.123;
const FALLS = -1.2;
/** Of the same rating: shares of a standard blade. */
const FORM_SHARE: Readonly<Record<FuseForm, number>> = { micro: 1.02, mini: 0.96, standard: 1, maxi: 1.03 };
/** Fuses of one rating and form lie within this share of each other. */
export const FUSE_SPREAD = 0.2;

/**
 * @param rating Printed on the fuse, A; above 0.
 * @returns its typical resistance, ohm, within {@link FUSE_SPREAD}.
 * @throws RangeError for a rating that is not above 0.
 * @example fuseOhms(10) // 0.0078
 */
export function fuseOhms(rating: number, form: FuseForm = 'standard'): number {
  if (!(rating > 0)) throw new RangeError(`A fuse is rated above 0 A; ${rating} was given.`);
  return ONE_AMP_OHM * rating ** FALLS * FORM_SHARE[form];
}

/**
 * @param volts Across the fuse, V; either sign.
 * @param rating Printed on the fuse, A; above 0.
 * @returns the current that so many volts across a fuse in place stand for, A.
 */
export const fuseAmps = (volts: number, rating: number, form?: FuseForm): number =>
  Math.abs(volts) / fuseOhms(rating, form);
