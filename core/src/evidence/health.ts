/** Measures of a battery's health, and what they give together. */
import { HEALTH_TESTS } from '../format/words';
import type { HealthWayName } from '../format/words';
import { batteryUnits } from './case-context';
import type { GradedCase, NumericReading } from './case-context';

const OF_HEALTH: ReadonlySet<string> = new Set(HEALTH_TESTS);

/** True for a test that measures how good a battery is. */
export const isHealthTest = (test: string): boolean => OF_HEALTH.has(test);

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

/** A battery of a pack with less than this share of its neighbor's health is weak by any label that both have. */
const WEAK_BESIDE_NEIGHBOR = 0.75;

/** True where a neighbor with the same label is much better: no wrong label explains that. */
export function isWeakBesideNeighbor(gradedCase: GradedCase, ways: readonly HealthWay[]): boolean {
  const apart = ways.filter(({ battery }) => battery !== undefined);
  const own = batteryUnits(gradedCase).flatMap((battery) => {
    const fused = fuseHealth(apart, battery);
    return fused ? [fused.lnHealth] : [];
  });
  return own.length > 1 && Math.min(...own) - Math.max(...own) <= Math.log(WEAK_BESIDE_NEIGHBOR);
}
