/**
 * The battery's health by every way it was measured, all on one scale: 1 is as rated. Each way is read against
 * its own limit in the set in use, so that a set that is edited moves the scale with it.
 */
import { sagShare } from '../../battery/sag-share';
import { loadTestAmps } from '../../battery/rating';
import { HEALTH_TESTS } from '../../trade/health-tests';
import { limitOf } from '../grade/limit-of';
import { forUnit } from '../see';
import { isNumeric, latest } from '../situation';
import type { NumericReading, Situation } from '../situation';

export const HEALTH_WAYS = [...HEALTH_TESTS, 'cranking'] as const;
export type HealthWayName = (typeof HEALTH_WAYS)[number];

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

/**
 * Health of a battery that lies exactly at the limit of this way, and how far the way itself may be off
 * (docs/criteria.md, health): a tester's cut is a share of the rating; a load test allows a battery of about
 * 0.8 of its rating to pass.
 */
const AT_LIMIT: Readonly<Record<HealthWayName, { readonly health: number; readonly spread: number }>> = {
  conductance: { health: 0.7, spread: 0.1 },
  'load-test': { health: 0.8, spread: 0.12 },
  'internal-resistance': { health: 0.8, spread: 0.15 },
  cranking: { health: 0.8, spread: 0.15 },
};
/** A min/max minimum still holds part of the first dip: half as sure again, and a little too deep. */
const MIN_MAX = { spread: 2, deeper: 1.08 } as const;
/** Resting volts that the load test's floor is told from (12 V), V. */
const FLOOR_FROM_VOLTS = 12.6;
/** How much more an empty battery resists than a full one. */
const EMPTY_RESISTS = 0.5;
/** A sag under this (12 V) is no measure, V. */
const LEAST_SAG_VOLTS = 0.05;
const LEAST_LOAD_AMPS = 20;

/** Beyond these a figure says no more of a battery than these do. */
const LEAST_HEALTH = 0.05;
const MOST_HEALTH = 3;
const held = (health: number): number => Math.min(Math.max(health, LEAST_HEALTH), MOST_HEALTH);

/** Volts that the load test's floor allows a battery of this charge to lose, V. */
const allowedSag = (floor: number, { scale, charge }: Situation): number =>
  (FLOOR_FROM_VOLTS * scale - floor) * (1 + EMPTY_RESISTS * (1 - (charge ?? 1)));

/**
 * @param floor Load test's floor, V, or null.
 * @param half What a half-CCA load test would have shown by cranking volts and amps, V, or null.
 */
export function healthWays(situation: Situation, floor: number | null, half: number | null): readonly HealthWay[] {
  const ways: HealthWay[] = [];
  if (situation.labelDoubt) return ways;
  for (const reading of situation.readings) {
    if (!isNumeric(reading) || reading.value <= 0) continue;
    const over = overLimit(reading, situation, floor);
    if (!over) continue;
    const { health, spread } = AT_LIMIT[over.way];
    ways.push({ way: over.way, reading, battery: reading.battery, health: held(health * over.ratio), spread });
  }
  const cranking = latest(situation, 'cranking-voltage');
  const { resting } = situation;
  if (cranking && half !== null && floor !== null && resting !== null) {
    const isMinMax = cranking.conditions?.method === 'min-max';
    const { health, spread } = AT_LIMIT.cranking;
    const sag = (resting - half) / (isMinMax ? MIN_MAX.deeper : 1);
    ways.push({
      way: 'cranking',
      reading: cranking,
      battery: undefined,
      health: held((health * allowedSag(floor, situation)) / sag),
      spread: spread * (isMinMax ? MIN_MAX.spread : 1),
    });
  }
  return ways;
}

/** How many times better than its limit a reading is; null where it is no measure of health. */
function overLimit(
  reading: NumericReading,
  whole: Situation,
  floor: number | null,
): { readonly way: HealthWayName; readonly ratio: number } | null {
  const { test, value } = reading;
  if (test === 'conductance' || test === 'internal-resistance') {
    const limit = limitOf(whole, reading);
    if (!limit || limit.value <= 0) return null;
    return { way: test, ratio: test === 'conductance' ? limit.value / limit.min : limit.max / limit.value };
  }
  if (test !== 'load-test' || floor === null) return null;
  const unit = forUnit(whole, reading.battery);
  const { packCca: cca } = unit;
  const amps = reading.conditions?.amps ?? (cca === null ? 0 : loadTestAmps(cca));
  if (cca === null || unit.resting === null || amps < LEAST_LOAD_AMPS) return null;
  const sag = unit.resting - value;
  if (sag < LEAST_SAG_VOLTS * unit.scale) return null;
  const ownFloor = (floor * unit.scale) / whole.scale;
  return { way: 'load-test', ratio: allowedSag(ownFloor, unit) / (sag / sagShare(amps / cca)) };
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

/** Ways that differ by more than this many of their spreads disagree: a third is asked for. */
const DISAGREE = 2;

/** The two ways of one battery that lie furthest apart, where they disagree; null where they agree. */
export function disagreeing(ways: readonly HealthWay[], battery?: number): readonly [HealthWay, HealthWay] | null {
  const fused = fuseHealth(ways, battery);
  // once there are three, the two that agree have it
  if (fused?.ways.length !== 2) return null;
  const sorted = [...fused.ways].sort((a, b) => a.health - b.health);
  const [low, high] = [sorted[0]!, sorted.at(-1)!];
  if (low.way === high.way) return null;
  const apart = Math.log(high.health / low.health);
  return apart > DISAGREE * Math.hypot(low.spread, high.spread) ? [low, high] : null;
}
