/** Volts of one cell of a lead-acid battery, V. */
const CELL_VOLTS = 2.1;

/**
 * What a battery rests lower with one cell gone. Batteries in series lose no more than one of 12 V does; of one of 6 V it
 * is taken as half, as every voltage is.
 *
 * @param scale Nominal volts over 12.
 * @returns V.
 */
export const missingCellVolts = (scale: number): number => CELL_VOLTS * Math.min(1, scale);
