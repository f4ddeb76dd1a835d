/**
 * The battery's health by every way it was measured, all on one scale: 1 is as rated. Each way is read against
 * its own limit in the set in use, so that a set that is edited moves the scale with it.
 */
import { emptyFactor } from '../../battery/cranking-resistance';
import { FULL_OPEN_VOLTS, halfCcaVolts, sagShare } from '../../battery/sag-share';
import { loadTestAmps } from '../../battery/rating';
import { limitOf } from '../../evidence/limit-of';
import { asOwnBattery } from '../../evidence/own-battery';
import { isNumeric, latest } from '../../evidence/case-context';
import { fuseHealth } from '../../evidence/health';
import type { HealthWay } from '../../evidence/health';
import type { HealthWayName } from '../../format/words';
import type { NumericReading, GradedCase } from '../../evidence/case-context';

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
/** A sag under this (12 V) is no measure, V. */
const MIN_SAG_VOLTS = 0.05;
const MIN_LOAD_AMPS = 20;

/** Beyond these a figure says no more of a battery than these do. */
const MIN_HEALTH = 0.05;
const MAX_HEALTH = 3;
const held = (health: number): number => Math.min(Math.max(health, MIN_HEALTH), MAX_HEALTH);

/** Volts that the load test's floor allows a battery of this charge to lose, V. */
const allowedSag = (floor: number, { scale, charge }: GradedCase): number =>
  (FULL_OPEN_VOLTS * scale - floor) * emptyFactor(charge ?? 1);

/**
 * @param floor Load test's floor, V, or null.
 * @param half What a half-CCA load test would have shown by cranking volts and amps, V, or null.
 */
export function healthWays(gradedCase: GradedCase, floor: number | null, half: number | null): readonly HealthWay[] {
  const ways: HealthWay[] = [];
  if (gradedCase.labelDoubt) return ways;
  for (const reading of gradedCase.readings) {
    if (!isNumeric(reading) || reading.value <= 0) continue;
    const over = overLimit(reading, gradedCase, floor);
    if (!over) continue;
    const { health, spread } = AT_LIMIT[over.way];
    ways.push({ way: over.way, reading, battery: reading.battery, health: held(health * over.ratio), spread });
  }
  ways.push(...crankedAlone(gradedCase, floor));
  const cranking = latest(gradedCase, 'cranking-voltage');
  const { resting } = gradedCase;
  if (cranking && half !== null && floor !== null && resting !== null) {
    const isMinMax = cranking.conditions?.method === 'min-max';
    const { health, spread } = AT_LIMIT.cranking;
    const sag = (resting - half) / (isMinMax ? MIN_MAX.deeper : 1);
    ways.push({
      way: 'cranking',
      reading: cranking,
      battery: undefined,
      health: held((health * allowedSag(floor, gradedCase)) / sag),
      spread: spread * (isMinMax ? MIN_MAX.spread : 1),
    });
  }
  return ways;
}

/** Batteries of a pack that cranked alone: the whole draw came from the one. */
function crankedAlone(whole: GradedCase, floor: number | null): readonly HealthWay[] {
  const draw = latest(whole, 'starter-draw');
  if (!draw || draw.value < MIN_LOAD_AMPS || floor === null) return [];
  return whole.readings.flatMap((reading): readonly HealthWay[] => {
    if (reading.test !== 'cranking-voltage' || reading.battery === undefined || !isNumeric(reading)) return [];
    const unit = asOwnBattery(whole, reading.battery);
    const { packCca: cca, scale } = unit;
    // batteries side by side rest at the same volts
    const isParallel = whole.case.system.battery.arrangement === 'parallel';
    const resting = unit.resting ?? (isParallel ? whole.resting : null);
    if (cca === null || resting === null || resting - reading.value < MIN_SAG_VOLTS * scale) return [];
    const half = halfCcaVolts(resting, reading.value, draw.value, cca);
    const { health, spread } = AT_LIMIT.cranking;
    const ratio = allowedSag((floor * scale) / whole.scale, unit) / (resting - half);
    return [{ way: 'cranking', reading, battery: reading.battery, health: held(health * ratio), spread }];
  });
}

/** How many times better than its limit a reading is; null where it is no measure of health. */
function overLimit(
  reading: NumericReading,
  whole: GradedCase,
  floor: number | null,
): { readonly way: HealthWayName; readonly ratio: number } | null {
  const { test, value } = reading;
  if (test === 'conductance' || test === 'internal-resistance') {
    const limit = limitOf(whole, reading);
    if (!limit || limit.value <= 0) return null;
    return { way: test, ratio: test === 'conductance' ? limit.value / limit.min : limit.max / limit.value };
  }
  if (test !== 'load-test' || floor === null) return null;
  const unit = asOwnBattery(whole, reading.battery);
  const { packCca: cca } = unit;
  const amps = reading.conditions?.amps ?? (cca === null ? 0 : loadTestAmps(cca));
  if (cca === null || unit.resting === null || amps < MIN_LOAD_AMPS) return null;
  const sag = unit.resting - value;
  if (sag < MIN_SAG_VOLTS * unit.scale) return null;
  const ownFloor = (floor * unit.scale) / whole.scale;
  return { way: 'load-test', ratio: allowedSag(ownFloor, unit) / (sag / sagShare(amps / cca)) };
}

/** Ways that differ by more than this many of their spreads disagree: a third is asked for. */
const DISAGREE = 2;

/**
 * The two ways of measuring one battery's health that lie furthest apart, where they disagree.
 *
 * @param battery Which of a pack, from 1; undefined for the battery, or pack, as connected.
 * @returns null where they agree, where there is one alone, and from three on: the two that agree have it.
 */
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
