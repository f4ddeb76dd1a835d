import { interpolate } from '../quantities/interpolate';
import type { Points } from '../quantities/interpolate';

/**
 * A healthy battery's resistance while cranking at 21 °C, in volts per CCA: at half the CCA it loses
 * 3.0 V, from 12.6 V to the load test's floor of 9.6 V (docs/criteria.md, load test).
 */
export const CRANKING_VOLTS_PER_CCA = 6.0;

/** The same for the small-signal resistance a tester shows, about three quarters of the above. */
export const SMALL_SIGNAL_VOLTS_PER_CCA = 4.5;

/** Resistance against its value at 21 °C, from the load test's floor by temperature: (12.6 − floor) / 3.0. */
const COLD_FACTOR: Points = [
  [-18, 1.37],
  [-12, 1.3],
  [-7, 1.23],
  [-1, 1.17],
  [4, 1.1],
  [10, 1.07],
  [16, 1.03],
  [21, 1],
];

/** @returns by how much a battery at this temperature resists more than at 21 °C. */
export const coldFactor = (celsius: number): number => interpolate(COLD_FACTOR, celsius);

/**
 * Battery resistance while cranking, ohm: volts lost inside the battery per amp.
 *
 * @param restingV Resting voltage, V.
 * @param crankingV Sustained cranking voltage at the posts, V.
 * @param sustainedA Sustained starter draw, A; must be above 0.
 */
export const crankingOhms = (restingV: number, crankingV: number, sustainedA: number): number =>
  (restingV - crankingV) / sustainedA;

/** The voltage a half-CCA load test would have shown, V. */
export const equivalentLoadVolts = (restingV: number, ohms: number, loadA: number): number => restingV - ohms * loadA;
