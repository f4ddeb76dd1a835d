import type { TestName } from '../format/names';

/** The four notes: what every profile shows and every round check reads, in the order they are measured. */
export const FOUR_NOTES = [
  'resting-voltage',
  'cranking-voltage',
  'charging-voltage',
  'ripple-ac',
] as const satisfies readonly TestName[];
export type NoteName = (typeof FOUR_NOTES)[number];
