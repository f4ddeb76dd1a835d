import { interpolate } from '../quantities/interpolate';
import type { Points } from '../quantities/interpolate';

/** Resistance against its value at 21 °C, from the load test's floor by temperature: (12.6 − floor) / 3.0. */
const COLD_FACTOR: Points = [
  [-30, 1.5],
  [-18, 1.37],
  [-12, 1.3],
  [-7, 1.23],
  [-1, 1.17],
  [4, 1.1],
  [10, 1.07],
  [16, 1.03],
  [21, 1],
];

/** @param celsius Battery temperature, °C. @returns by how much it resists more than at 21 °C. */
export const coldFactor = (celsius: number): number => interpolate(COLD_FACTOR, celsius);

/** How much more an empty battery resists than a full one. */
const EMPTY_RESISTS = 0.5;

/** @param charge State of charge, 0 to 1. @returns by how much it resists more than when full. */
export const emptyFactor = (charge: number): number => 1 + EMPTY_RESISTS * (1 - charge);

/**
 * Battery resistance while cranking, ohm: volts lost inside the battery per amp.
 *
 * @param restingV Resting voltage, V.
 * @param crankingV Sustained cranking voltage at the posts, V.
 * @param sustainedA Sustained starter draw, A; must be above 0.
 */
export const crankingOhms = (restingV: number, crankingV: number, sustainedA: number): number =>
  (restingV - crankingV) / sustainedA;
