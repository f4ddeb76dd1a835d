/** How long a battery may stand until the vehicle no longer starts. */

/** Share of capacity that may go before the vehicle no longer starts. */
const USABLE_SHARE = 0.5;
/** Twenty-hour capacity of a starter battery per SAE amp, Ah, where the label gives no capacity. */
const AH_PER_CCA = 0.1;
const HOURS_A_DAY = 24;

/** @param cca SAE amps. @returns its usual capacity, Ah. */
export const usualCapacityAh = (cca: number): number => cca * AH_PER_CCA;

/**
 * @param capacityAh What it holds when full, Ah.
 * @param charge State of charge, 0 to 1.
 * @param drainAmps Above 0, A.
 */
export const daysStanding = (capacityAh: number, charge: number, drainAmps: number): number =>
  (capacityAh * USABLE_SHARE * charge) / drainAmps / HOURS_A_DAY;
