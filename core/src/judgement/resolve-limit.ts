import { convertRating } from '../battery/rating';
import { restingVolts } from '../battery/state-of-charge';
import { TESTS } from '../case/vocabulary';
import type { Limit, LimitRule } from '../criteria/criteria-set';
import { interpolate } from '../quantities/interpolate';
import { formatQuantity, formatShare, formatSmallVolts } from '../quantities/format';
import { cellSpread } from './gravity';
import type { Reading } from '../case/case-shape';
import { isNumeric, latest } from './situation';
import type { Situation } from './situation';

/** A limit brought to this reading: what is compared, and the range it must lie in. */
export interface ResolvedLimit {
  /** The figure compared: the reading itself, or what the rule makes of it (a sag, a share, a spread). */
  readonly value: number;
  /** Lowest and highest allowed figure; infinite where there is none. */
  readonly min: number;
  readonly max: number;
  readonly borderline: number;
  /** How many units of the figure one unit of the reading is: brings the reading's uncertainty along. */
  readonly perUnit: number;
  /** The limit in words, like `at least 12.45 V`. */
  readonly text: string;
  readonly note: string;
  /** True where the figures are in the reading's own unit and can be drawn beside it. */
  readonly drawable: boolean;
}

/** Does the limit speak of readings taken under these conditions? */
export function applies(limit: Limit, reading: Reading, situation: Situation): boolean {
  const { when } = limit;
  if (limit.test !== reading.test) return false;
  if (!when) return true;
  const { loads = 'off', method = 'watched' } = reading.conditions ?? {};
  if (when.loads && when.loads !== loads) return false;
  if (when.regulation && when.regulation !== situation.regulation) return false;
  if (when.fuel && when.fuel !== situation.fuel) return false;
  return !when.methods || when.methods.includes(method);
}

const bound = (direction: 'at least' | 'at most', text: string): string => `${direction} ${text}`;

function rangeText(min: number, max: number, show: (value: number) => string): string {
  if (min === -Infinity) return bound('at most', show(max));
  return max === Infinity ? bound('at least', show(min)) : `${show(min)} to ${show(max)}`;
}

type Figures = Partial<Omit<ResolvedLimit, 'text' | 'note' | 'borderline'>> & { text: string; borderline?: number };

/**
 * Brings a limit to a reading; null where the case lacks what the rule needs (no rating, no resting
 * voltage), so that the reading is only noted.
 */
export function resolveLimit(limit: Limit, reading: Reading, situation: Situation): ResolvedLimit | null {
  const figures = byRule(limit.rule, reading, situation);
  if (!figures) return null;
  const value = isNumeric(reading) ? reading.value : Number.NaN;
  const scaled = limit.rule.kind === 'band' || limit.rule.kind === 'temperature-floor' || limit.rule.kind === 'sag';
  const zone = (limit.borderline ?? 0) * (scaled && TESTS[reading.test].scales ? situation.scale : 1);
  return {
    value: figures.value ?? value,
    min: figures.min ?? -Infinity,
    max: figures.max ?? Infinity,
    borderline: figures.borderline ?? zone,
    perUnit: figures.perUnit ?? 1,
    text: figures.text,
    note: limit.note,
    drawable: figures.drawable ?? true,
  };
}

function byRule(rule: LimitRule, reading: Reading, situation: Situation): Figures | null {
  const { scale, celsius } = situation;
  const row = TESTS[reading.test];
  const volts = (value: number): string =>
    reading.test === 'ripple-ac' || reading.test === 'ripple-waveform' || reading.test.startsWith('drop-')
      ? formatSmallVolts(value)
      : formatQuantity(value, row.unit);
  if (reading.test === 'specific-gravity') return gravity(rule, reading);
  if (!isNumeric(reading)) return null;
  switch (rule.kind) {
    case 'band':
      return band(rule, reading.test, situation, volts);
    case 'charge': {
      const { chemistry } = situation.case.system.battery;
      const at = situation.celsiusKnown ? celsius : 25;
      const min = restingVolts(rule.minShare, chemistry, situation.case.system.nominalVolts, at);
      return { min, text: `${bound('at least', volts(min))} (${formatShare(rule.minShare)} charged)` };
    }
    case 'temperature-floor': {
      const specified =
        reading.test === 'cranking-voltage' ? situation.case.system.specified?.crankingVolts?.min : undefined;
      if (specified !== undefined)
        return { min: specified, text: `${bound('at least', volts(specified))} (specified)` };
      const min = interpolate(rule.points, celsius) * scale;
      return { min, text: `${bound('at least', volts(min))} at ${formatQuantity(celsius, '°C')}` };
    }
    case 'sag': {
      if (situation.resting === null) return null;
      const min = situation.resting - rule.maxVolts * scale;
      return { min, text: `${bound('at least', volts(min))} (${volts(rule.maxVolts * scale)} under resting)` };
    }
    case 'rated-share':
      return ratedShare(rule.minShare, reading, situation);
    case 'ohms-times-cca': {
      if (situation.cca === null) return null;
      const perOhm = situation.cca / scale;
      const max = rule.max / perOhm;
      return {
        value: reading.value * perOhm,
        max: rule.max,
        perUnit: perOhm,
        drawable: false,
        text: `${bound('at most', volts(max))} (${rule.max} V per CCA)`,
      };
    }
    case 'spread':
      return null;
    case 'drop':
      return drop(rule, reading, situation, volts);
    case 'loss': {
      const start = reading.conditions?.startVolts ?? situation.resting;
      if (start === null) return null;
      const min = start - rule.maxVolts * scale;
      return { min, borderline: 0.2 * scale, text: `${bound('at least', volts(min))} (it began at ${volts(start)})` };
    }
    case 'commanded': {
      const target = reading.conditions?.commandedVolts;
      if (target === undefined) return null;
      const range = { min: target - rule.tolerance * scale, max: target + rule.tolerance * scale };
      return { ...range, text: `${rangeText(range.min, range.max, volts)} (target ${volts(target)})` };
    }
    case 'expected-draw': {
      const { min, max, source } = situation.draw;
      return {
        min,
        max,
        borderline: source === 'typical' ? 0.1 * max : 0,
        text: `${rangeText(min, max, volts)} (${source})`,
      };
    }
    case 'near-resting': {
      if (situation.resting === null) return null;
      const min = situation.resting - rule.tolerance * scale;
      return { min, text: `${bound('at least', volts(min))} (battery voltage)` };
    }
    case 'above-resting': {
      if (situation.resting === null) return null;
      const min = situation.resting + rule.minVolts * scale;
      return { min, text: `${bound('at least', volts(min))} (${volts(rule.minVolts * scale)} above resting)` };
    }
    default:
      throw new Error(`unknown limit rule ${JSON.stringify(rule satisfies never)}`);
  }
}

function band(
  rule: Extract<LimitRule, { kind: 'band' }>,
  test: Reading['test'],
  situation: Situation,
  show: (value: number) => string,
): Figures {
  const specified = test === 'charging-voltage' ? situation.case.system.specified?.chargingVolts : undefined;
  if (specified) {
    const { min = -Infinity, max = Infinity } = specified;
    return { min, max, text: `${rangeText(min, max, show)} (specified)` };
  }
  const scale = TESTS[test].scales ? situation.scale : 1;
  const shift = (rule.perCelsius ?? 0) * (25 - (situation.case.conditions?.ambientCelsius ?? 25));
  const ceiling = rule.ceiling ?? Infinity;
  const min = ((rule.min ?? -Infinity) + Math.min(0, shift)) * scale;
  const max = Math.min(ceiling, (rule.max ?? Infinity) + Math.max(0, shift)) * scale;
  return { min, max, text: rangeText(min, max, show) };
}

function ratedShare(minShare: number, reading: Reading & { value: number }, situation: Situation): Figures | null {
  if (reading.test === 'conductance') {
    const { rating } = situation.case.system.battery;
    const rated = rating ? convertRating(rating, rating.standard === 'CA' ? 'SAE' : rating.standard) : null;
    if (rated === null) return null;
    const share = reading.value / rated;
    return {
      value: share,
      min: minShare,
      perUnit: 1 / rated,
      drawable: false,
      text: `${bound('at least', formatShare(minShare))} of ${formatQuantity(rated, 'A')} rated; this is ${formatShare(share)}`,
    };
  }
  const rated = situation.case.system.alternator?.ratedAmps;
  if (rated === undefined) return null;
  const { systemVolts, fieldPercent } = reading.conditions ?? {};
  const system = systemVolts ?? latest(situation, 'charging-voltage')?.value;
  const showsLimit = (fieldPercent ?? 0) >= 95 || (system !== undefined && system <= 13.0 * situation.scale);
  if (!showsLimit) return null;
  const min = minShare * rated;
  return {
    min,
    borderline: 0.05 * rated,
    text: `${bound('at least', formatQuantity(min, 'A'))} (${formatShare(minShare)} of ${formatQuantity(rated, 'A')})`,
  };
}

function drop(
  rule: Extract<LimitRule, { kind: 'drop' }>,
  reading: Reading & { value: number },
  situation: Situation,
  show: (value: number) => string,
): Figures {
  const max = rule.max * situation.scale;
  const reference = referenceAmps(rule.loadedBy, situation);
  const amps = reading.conditions?.amps;
  const factor = amps !== undefined && amps > 0 && reference !== null ? reference / amps : 1;
  const text = bound('at most', show(max));
  if (Math.abs(factor - 1) < 0.02) return { value: Math.abs(reading.value), max, text };
  return {
    value: Math.abs(reading.value) * factor,
    max,
    perUnit: factor,
    drawable: false,
    text: `${text} at ${formatQuantity(reference!, 'A')}; read at ${formatQuantity(amps!, 'A')}`,
  };
}

/** The current that loads a path in usual work, A; null where the case does not tell. */
export function referenceAmps(loadedBy: 'cranking' | 'charging', situation: Situation): number | null {
  if (loadedBy === 'cranking') return situation.draw.reference;
  const rated = situation.case.system.alternator?.ratedAmps;
  return rated === undefined ? null : rated * 0.8;
}

function gravity(rule: LimitRule, reading: Reading): Figures | null {
  if (rule.kind !== 'spread' || !Array.isArray(reading.value)) return null;
  const spread = cellSpread(reading.value as readonly number[]);
  return {
    value: spread,
    max: rule.max,
    drawable: false,
    text: `${bound('at most', rule.max.toFixed(3))} between cells; this is ${spread.toFixed(3)}`,
  };
}
