/**
 * Excuses: what else could give the readings that speak for a fault, the steps that would exclude it, and
 * when it is excluded. An excuse is excluded by readings, never by their absence. With each fault stands which
 * excuses it has and the mechanism of each.
 */
import { BATTERY_EXCUSES } from './battery';
import { CHARGING_EXCUSES } from './charging';
import type { ExcuseRow } from './excuse';
import { NOT_MEASURED } from './not-measured';
import { STARTING_EXCUSES } from './starting';

export const EXCUSES = { ...BATTERY_EXCUSES, ...STARTING_EXCUSES, ...CHARGING_EXCUSES, ...NOT_MEASURED } as const;

export type ExcuseName = keyof typeof EXCUSES;

/** @returns the row of an excuse. */
export const excuseRow = (name: ExcuseName): ExcuseRow => EXCUSES[name];
