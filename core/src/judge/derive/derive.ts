/** Fourth stage: what the readings give together. */
import type { DrawRange } from '../../criteria/expected-draw';
import { crankingOhms } from '../../battery/cranking-resistance';
import { loadTestAmps } from '../../battery/rating';
import { halfCcaVolts } from '../../battery/sag-share';
import { daysStanding, usualCapacityAh } from '../../battery/standing';
import { limitsOf } from '../../criteria/criteria-set';
import type { Derived } from '../../format/judgement-shape';
import { interpolate } from '../../quantities/interpolate';
import { latest } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { fuseCurrents } from '../../evidence/fuses';
import { healthWays } from './health';
import type { HealthWay } from '../../evidence/health';
import type { Figures } from '../../evidence/figures';
import { solvePaths } from './solve-paths';

/** Least current, A, for which a resistance may be computed from cranking volts. */
const MIN_AMPS = 20;
/** Under this a clamp shows nothing, A. */
const SOME_DRAIN_AMPS = 0.001;

/** @returns the floor of a load test at this temperature, V, where the set has one. */
function loadFloor({ criteria, celsius, scale }: GradedCase): number | null {
  for (const { rule } of limitsOf(criteria, 'load-test'))
    if (rule.kind === 'temperature-floor') return interpolate(rule.points, celsius) * scale;
  return null;
}

/**
 * What the readings of a graded case give together: resistance while cranking, health by every way, the share of the
 * draw, the loss of each piece. A figure is null where a reading that it needs is missing.
 *
 * @example derive(survey(subject).gradedCase).crankingOhms // 0.0089, ohm
 */
export function derive(gradedCase: GradedCase): Figures {
  const { resting, charge, packCca: pack, cca, draw: usual } = gradedCase;
  const cranking = latest(gradedCase, 'cranking-voltage');
  const draw = latest(gradedCase, 'starter-draw');
  const isCranked = resting !== null && cranking && draw && draw.value >= MIN_AMPS && resting > cranking.value;
  const ohms = isCranked ? crankingOhms(resting, cranking.value, draw.value) : null;
  const half = isCranked && pack !== null ? halfCcaVolts(resting, cranking.value, draw.value, pack) : null;
  const floor = loadFloor(gradedCase);
  const ways = healthWays(gradedCase, floor, half);
  const days = daysToNoStart(gradedCase);
  const excess = isCranked && ohms !== null ? Math.max(0, draw.value - usual.max) * ohms : null;
  const published: { -readonly [Name in keyof Derived]: Derived[Name] } = {};
  if (charge !== null) published.stateOfCharge = charge;
  if (cca !== null) published.loadAmps = loadTestAmps(gradedCase.units.length > 0 ? cca : pack!);
  if (floor !== null) published.loadFloorVolts = floor;
  published.expectedDrawAmps = { min: usual.min, max: usual.max };
  if (ohms !== null) published.crankingOhms = ohms;
  if (half !== null) published.equivalentLoadVolts = half;
  if (excess !== null) published.sag = { batteryVolts: resting! - cranking!.value - excess, excessDrawVolts: excess };
  if (days !== null) published.daysToNoStart = days;
  const fuses = fuseCurrents(gradedCase).flatMap(({ fuse, amps }) => (amps === null ? [] : [{ fuse, amps }]));
  if (fuses.length > 0) published.fuses = fuses;
  if (ways.length > 0) published.ways = ways.map(publishedWay);
  return {
    crankingOhms: ohms,
    halfCcaVolts: half,
    drawRatio: draw ? drawRatio(draw.value, usual) : null,
    ways,
    paths: solvePaths(gradedCase),
    published,
  };
}

const publishedWay = ({ way, health, spread, reading, battery }: HealthWay): NonNullable<Derived['ways']>[number] => ({
  way,
  health,
  spread,
  reading: reading.id,
  ...(battery !== undefined && { battery }),
});

/** Days of standing until a no-start from the measured drain; null where nothing drains. */
function daysToNoStart(gradedCase: GradedCase): number | null {
  const draw = latest(gradedCase, 'parasitic-draw')?.value;
  const { capacityAh, count = 1, arrangement } = gradedCase.case.system.battery;
  const one = capacityAh ?? (gradedCase.cca === null ? null : usualCapacityAh(gradedCase.cca));
  if (draw === undefined || draw <= SOME_DRAIN_AMPS || one === null) return null;
  const capacity = arrangement === 'parallel' ? one * count : one;
  return daysStanding(capacity, gradedCase.charge ?? 1, draw);
}

/** The ends of a typical range over its middle. */
const LOW_END = 0.55;
const HIGH_END = 1.45;

/** Amps over the usual ones; of an engine that nobody told only beyond all that it may be, else null. */
function drawRatio(amps: number, { min, max, reference, source }: DrawRange): number | null {
  if (source !== 'unknown') return amps / reference;
  if (amps > max) return (amps / max) * HIGH_END;
  return amps < min ? (amps / min) * LOW_END : null;
}
