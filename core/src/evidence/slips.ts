/** The mistakes people make with a meter, as they stand in the record; each test's file lists its own. */
import type { Measured } from './simulated-bench';
import { round } from './simulated-bench';
import type { Random } from '../circuit/model/random';

/** A reading as a hurried hand records it. @param value The true figure; above 0. @param scale Nominal volts / 12. */
export type Slip = (measured: Measured, value: number, scale: number, random: Random) => Measured;

/**
 * Another figure, read under other conditions.
 *
 * @param value What is recorded, from the true figure, in the test's unit.
 * @param conditions What is recorded beside it.
 * @param decimals How many the display shows.
 */
export const slip =
  (
    value: (value: number, scale: number, random: Random) => number,
    conditions: (value: number, random: Random, measured: Measured) => Measured['conditions'] = () => ({}),
    decimals = 2,
  ): Slip =>
  (measured, true_, scale, random) => ({
    ...measured,
    value: round(value(true_, scale, random), decimals),
    conditions: conditions(true_, random, measured),
  });
