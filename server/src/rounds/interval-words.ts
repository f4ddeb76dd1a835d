import type { PlanRow } from './plans.sql';

/** How often, in words. */
export const intervalWords = ({
  everyDays,
  everyKm,
  everyHours,
  beforeWinter,
}: Pick<PlanRow, 'everyDays' | 'everyKm' | 'everyHours' | 'beforeWinter'>): string =>
  [
    everyDays !== null && `every ${everyDays} days`,
    everyKm !== null && `every ${everyKm} km`,
    everyHours !== null && `every ${everyHours} hours`,
    beforeWinter !== null && `before ${beforeWinter}`,
  ]
    .filter(Boolean)
    .join(' or ');
