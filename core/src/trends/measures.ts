/** What one visit says of every series: the newest counted readings, brought to the same temperature and charge. */
import { coldFactor, emptyFactor } from '../battery/cranking-resistance';
import { coldDemand } from '../criteria/expected-draw';
import { isClosed, pathReadings } from '../evidence/path-readings';
import { latest, latestUnder } from '../evidence/case-context';
import type { GradedCase } from '../evidence/case-context';
import type { Case } from '../format/case-shape';
import { derive } from '../judge/derive/derive';
import { survey } from '../judge/grade/survey';
import { seriesOfPath } from './series';
import type { SeriesName } from './series';

/** One figure of a series. */
export interface Measure {
  readonly series: SeriesName;
  readonly value: number;
  /** Standard deviation of measurement and method, in the same unit. */
  readonly spread: number;
  /** Of what cannot be brought to another temperature: that of the visit, °C. */
  readonly celsius?: number;
}

/** A good regulator lowers its aim by so much for each degree above 25 °C, of a fixed one (12 V), V (docs/criteria.md). */
const VOLTS_PER_CELSIUS = 0.01;
const REGULATED_AT = 25;
/** Relative spreads where the instrument tells none. */
const AMPS_SPREAD = 0.04;
const OHMS_SPREAD = 0.08;
const SPEED_SPREAD = 0.03;
const DRAIN_SPREAD = 0.1;
const VOLTS_SPREAD = 0.03;
const RIPPLE_SPREAD = 0.1;

/** The measures of a visit's passes: before a repair, and after it where there was one. Void readings are in none. */
export interface VisitMeasures {
  readonly before: readonly Measure[];
  readonly after: readonly Measure[] | null;
}

export function measuresOfVisit(subject: Case): VisitMeasures {
  const { gradedCase, before } = survey(subject);
  if (before === null) return { before: measuresOf(gradedCase), after: null };
  return { before: measuresOf(before), after: measuresOf(gradedCase) };
}

function measuresOf(gradedCase: GradedCase): readonly Measure[] {
  const { celsius, charge, scale, case: subject } = gradedCase;
  const measures: Measure[] = [];
  const add = (series: SeriesName, value: number, spread: number): void => {
    if (Number.isFinite(value)) measures.push({ series, value, spread: Math.abs(spread) });
  };
  const { ways, crankingOhms } = derive(gradedCase);
  // of a pack its weakest battery
  for (const { way, health, spread } of [...ways].sort((a, b) => b.health - a.health)) {
    const series = `health-${way}` as const;
    const known = measures.findIndex((measure) => measure.series === series);
    if (known >= 0) measures.splice(known, 1);
    add(series, health, health * spread);
  }
  if (crankingOhms !== null) {
    const ohms = crankingOhms / coldFactor(celsius) / emptyFactor(charge ?? 1);
    add('cranking-ohms', ohms, ohms * OHMS_SPREAD);
  }
  const draw = latest(gradedCase, 'starter-draw');
  if (draw) {
    const amps = Math.abs(draw.value) / coldDemand(celsius);
    add('starter-draw', amps, (draw.uncertainty ?? amps * AMPS_SPREAD) / coldDemand(celsius));
  }
  const speed = latest(gradedCase, 'cranking-speed');
  if (speed)
    measures.push({ series: 'cranking-speed', value: speed.value, spread: speed.value * SPEED_SPREAD, celsius });
  for (const row of pathReadings(gradedCase))
    if (isClosed(row)) add(seriesOfPath(row.test), row.volts / row.amps, row.error / row.amps);
  const charging = latestUnder(gradedCase, 'charging-voltage', 'off');
  if (charging && subject.system.alternator?.regulation !== 'commanded') {
    const moved = VOLTS_PER_CELSIUS * scale * (celsius - REGULATED_AT);
    add('charging-voltage', charging.value + moved, charging.uncertainty ?? VOLTS_SPREAD * scale);
  }
  const ripple = latest(gradedCase, 'ripple-ac');
  if (ripple) add('ripple', ripple.value, ripple.uncertainty ?? ripple.value * RIPPLE_SPREAD);
  const drain = latest(gradedCase, 'parasitic-draw');
  if (drain) add('drain', Math.abs(drain.value), drain.uncertainty ?? Math.abs(drain.value) * DRAIN_SPREAD);
  return measures;
}
