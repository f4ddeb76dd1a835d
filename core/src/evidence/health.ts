/** Measures of a battery's health, and what they give together. */
import type { HealthWayName } from '../format/words';
import { batteryUnits } from './case-context';
import type { GradedCase, NumericReading } from './case-context';

/** One measure of a battery's health. */
export interface HealthWay {
  readonly way: HealthWayName;
  readonly reading: NumericReading;
  /** Which of a pack; absent: the pack as connected. */
  readonly battery: number | undefined;
  readonly health: number;
  /** Standard deviation of ln(health) from measurement and method. */
  readonly spread: number;
}

/** All measures of one battery's health, averaged by their precision and never counted one by one. */
export interface FusedHealth {
  readonly lnHealth: number;
  readonly spread: number;
  readonly ways: readonly HealthWay[];
}

/** @param battery Which of a pack; undefined for the pack as connected. */
export function fuseHealth(ways: readonly HealthWay[], battery: number | undefined): FusedHealth | null {
  const own = ways.filter((way) => way.battery === undefined || way.battery === battery);
  if (own.length === 0) return null;
  let weights = 0;
  let sum = 0;
  for (const { health, spread } of own) {
    weights += 1 / spread ** 2;
    sum += Math.log(health) / spread ** 2;
  }
  return { lnHealth: sum / weights, spread: 1 / Math.sqrt(weights), ways: own };
}

/** The weakest battery of a pack by all its ways together; null where none was measured. */
export function weakestHealth(
  gradedCase: GradedCase,
  ways: readonly HealthWay[],
): { readonly battery: number | undefined; readonly fused: FusedHealth } | null {
  let found: { readonly battery: number | undefined; readonly fused: FusedHealth } | null = null;
  for (const battery of batteryUnits(gradedCase)) {
    const fused = fuseHealth(ways, battery);
    if (fused && (!found || fused.lnHealth < found.fused.lnHealth)) found = { battery, fused };
  }
  return found;
}
