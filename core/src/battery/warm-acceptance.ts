const REFERENCE_CELSIUS = 21;
/** A lead-acid battery takes about twice as much for each so many °C (docs/criteria.md, current into the battery). */
const DOUBLES_PER_CELSIUS = 15;

/**
 * @param celsius Battery temperature, °C.
 * @returns how many times the current a battery takes at the same volts and charge that it takes at 21 °C.
 * @example warmAcceptance(36) // 2
 */
export const warmAcceptance = (celsius: number): number => 2 ** ((celsius - REFERENCE_CELSIUS) / DOUBLES_PER_CELSIUS);
