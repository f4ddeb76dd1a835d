import {
  CRANKING_VOLTS_PER_CCA,
  SMALL_SIGNAL_VOLTS_PER_CCA,
  coldFactor,
  crankingOhms,
  equivalentLoadVolts,
} from '../battery/cranking-resistance';
import { convertRating, loadTestAmps } from '../battery/rating';
import type { Derived } from '../case/judgement-shape';
import { limitsOf } from '../criteria/limits-of';
import { interpolate } from '../quantities/interpolate';
import { forUnit, latest } from './situation';
import type { NumericReading, Situation } from './situation';

/** One measure of a battery's health: 1 is as rated, below about 0.7 is worn. */
export interface HealthMeasure {
  readonly reading: NumericReading;
  readonly health: number;
  /** Standard deviation of ln(health) from measurement and method. */
  readonly spread: number;
  readonly says: string;
}

/** What the readings give together; null where a part is missing. */
export interface DerivedFigures {
  readonly crankingOhms: number | null;
  readonly equivalentLoadVolts: number | null;
  /** Sustained draw over the usual draw; 1 is usual. */
  readonly drawRatio: number | null;
  readonly health: readonly HealthMeasure[];
  readonly published: Derived;
}

/**
 * A sound battery beats the load test's demand: at 100 % health its resistance is this share of the
 * limit of 6.0 V per CCA.
 */
const SOUND_SHARE_OF_LIMIT = 0.8;
/** A half-charged battery resists more; share added from full to empty. */
const RESISTANCE_WHEN_EMPTY = 0.5;
/** Least current, A, for which a resistance may be computed from cranking volts. */
const LEAST_AMPS = 20;

export function derive(situation: Situation): DerivedFigures {
  const { scale, celsius, resting, charge, packCca: pack, cca } = situation;
  const cranking = latest(situation, 'cranking-voltage');
  const draw = latest(situation, 'starter-draw');
  const ohms =
    resting !== null && cranking && draw && draw.value >= LEAST_AMPS && resting > cranking.value
      ? crankingOhms(resting, cranking.value, draw.value)
      : null;
  const loadA = pack === null ? null : loadTestAmps(pack);
  const floor = loadFloor(situation);
  const chargeFactor = 1 + RESISTANCE_WHEN_EMPTY * (1 - (charge ?? 1));
  const healthOf = (measured: number, amps: number, volts = scale): number =>
    (CRANKING_VOLTS_PER_CCA * SOUND_SHARE_OF_LIMIT * coldFactor(celsius) * chargeFactor * volts) / (measured * amps);
  const health: HealthMeasure[] = [];
  if (ohms !== null && pack !== null && cranking) {
    const value = healthOf(ohms, pack);
    health.push({ reading: cranking, health: value, spread: 0.18, says: 'cranking volts and amps' });
  }
  for (const reading of situation.readings) {
    const measure = healthMeasure(reading as NumericReading, situation, healthOf);
    if (measure) health.push(measure);
  }
  const lost = resting !== null && cranking ? resting - cranking.value : null;
  const fairDraw = situation.draw.max;
  const published: { -readonly [K in keyof Derived]: Derived[K] } = {};
  if (charge !== null) published.stateOfCharge = charge;
  if (cca !== null) published.loadAmps = loadTestAmps(cca);
  if (floor !== null) published.loadFloorVolts = floor;
  published.expectedDrawAmps = { min: situation.draw.min, max: situation.draw.max };
  if (ohms !== null) published.crankingOhms = ohms;
  const equivalent =
    ohms !== null && loadA !== null && resting !== null ? equivalentLoadVolts(resting, ohms, loadA) : null;
  if (equivalent !== null) published.equivalentLoadVolts = equivalent;
  if (lost !== null && ohms !== null && draw) {
    const excess = Math.max(0, draw.value - fairDraw) * ohms;
    published.sag = { batteryVolts: lost - excess, excessDrawVolts: excess };
  }
  const days = daysToNoStart(situation);
  if (days !== null) published.daysToNoStart = days;
  return {
    crankingOhms: ohms,
    equivalentLoadVolts: equivalent,
    drawRatio: draw ? draw.value / situation.draw.reference : null,
    health,
    published,
  };
}

/** The load test's floor at this temperature, V, where the set has one. */
function loadFloor({ criteria, celsius, scale }: Situation): number | null {
  const limit = limitsOf(criteria, 'load-test').find(({ rule }) => rule.kind === 'temperature-floor');
  return limit?.rule.kind === 'temperature-floor' ? interpolate(limit.rule.points, celsius) * scale : null;
}

/** One reading as a measure of health: of the pack as connected, or of the battery it names. */
function healthMeasure(
  reading: NumericReading,
  whole: Situation,
  healthOf: (ohms: number, amps: number, scale: number) => number,
): HealthMeasure | null {
  const { scale, resting, cca: one, packCca: pack, case: subject } = forUnit(whole, reading);
  const rated = reading.battery === undefined ? pack : one;
  if (typeof reading.value !== 'number' || one === null || rated === null || reading.value <= 0) return null;
  switch (reading.test) {
    case 'conductance': {
      const { rating } = subject.system.battery;
      const label = rating && convertRating(rating, rating.standard === 'CA' ? 'SAE' : rating.standard);
      return label
        ? { reading, health: reading.value / (label * (rated / one)), spread: 0.1, says: 'conductance' }
        : null;
    }
    case 'internal-resistance': {
      const limit = (SMALL_SIGNAL_VOLTS_PER_CCA * SOUND_SHARE_OF_LIMIT * scale) / rated;
      return { reading, health: limit / reading.value, spread: 0.15, says: 'internal resistance' };
    }
    case 'load-test': {
      const amps = reading.conditions?.amps ?? loadTestAmps(rated);
      if (resting === null || amps < 20 || resting - reading.value < 0.05) return null;
      const health = healthOf((resting - reading.value) / amps, rated, scale);
      return { reading, health, spread: 0.12, says: 'the load test' };
    }
    default:
      return null;
  }
}

/** Share of capacity that may go before the vehicle no longer starts. */
const USABLE_SHARE = 0.5;
/** Twenty-hour capacity of a starter battery per SAE amp, Ah, where the label gives no capacity. */
const AH_PER_CCA = 0.1;

/** Days of standing until a no-start from the measured drain; null where nothing drains. */
function daysToNoStart(situation: Situation): number | null {
  const draw = latest(situation, 'parasitic-draw')?.value;
  const { capacityAh, count = 1, arrangement } = situation.case.system.battery;
  const one = capacityAh ?? (situation.cca === null ? null : situation.cca * AH_PER_CCA);
  if (draw === undefined || draw <= 0.001 || one === null) return null;
  const capacity = arrangement === 'parallel' ? one * count : one;
  return (capacity * USABLE_SHARE * (situation.charge ?? 1)) / draw / 24;
}
