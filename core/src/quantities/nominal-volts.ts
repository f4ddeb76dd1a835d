/** Nominal voltages of the systems that are tested, V. */
export const NOMINAL_VOLTS = [6, 12, 24] as const;
export type NominalVolts = (typeof NOMINAL_VOLTS)[number];
