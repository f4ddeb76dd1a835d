/** How a battery ages: its health over the years as nobody sees it, and as it is measured at visits. */
import type { Random } from '../circuit/model/random';

export interface AgingBattery {
  /** Health after so many days, 1 and above for new. */
  healthAt(days: number): number;
  /** The day on which its health falls to this share. */
  dayOf(health: number): number;
}

/** New, and by the year after which seven tenths are left; wear is even, or grows with age. */
const NEW: readonly [number, number] = [0.98, 1.08];
const YEARS_TO_SEVENTY: readonly [number, number] = [2.5, 8];
const BEND: readonly [number, number] = [1, 1.35];
const WORN = 0.7;
const DAYS_A_YEAR = 365;

export function agingBattery(random: Random): AgingBattery {
  const fresh = random.between(...NEW);
  const days = random.between(...YEARS_TO_SEVENTY) * DAYS_A_YEAR;
  const bend = random.between(...BEND);
  return {
    healthAt: (day) => fresh - (fresh - WORN) * (day / days) ** bend,
    dayOf: (health) => days * ((fresh - health) / (fresh - WORN)) ** (1 / bend),
  };
}
