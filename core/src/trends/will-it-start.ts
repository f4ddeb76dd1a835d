/** Cranking volts and speed by temperature, from the newest readings, with a band from their uncertainty. */
import { FIRES_FROM_RPM, crank } from '../circuit/model/cranking-circuit';
import { PATHS } from '../circuit/paths';
import { renewBattery } from './vehicle-from-measures';
import { soundPieceOhms } from '../circuit/model/vehicle';
import { randomOf } from '../circuit/model/random';
import type { System } from '../format/case-shape';
import type { Measure } from './measures';
import { withMeasuredSpeed } from './vehicle-from-measures';
import type { Assumptions } from './vehicle-from-measures';

/** From the coldest to the warmest that is asked, °C. */
export const FORECAST_CELSIUS = Array.from({ length: 15 }, (_, at) => -30 + at * 5);

/** What might be done before winter. */
export type Change = 'new-battery' | 'repaired-ground';

export interface ForecastPoint {
  readonly celsius: number;
  readonly volts: number;
  readonly rpm: number;
  /** Four times of five the speed lies between these. */
  readonly slowest: number;
  readonly fastest: number;
}
export interface Forecast {
  readonly points: readonly ForecastPoint[];
  /** It starts down to this, °C; null where it starts at none of them. */
  readonly startsDownTo: number | null;
}

const DRAWS = 40;
const ENDS: readonly [number, number] = [0.1, 0.9];

/**
 * @param measures The newest of every series.
 * @param change With this done; as it is where absent.
 */
export function willItStart(
  system: System,
  measures: readonly Measure[],
  assumptions: Assumptions,
  change?: Change,
): Forecast {
  const random = randomOf(1);
  // one set of slips for all temperatures, so that the band is as smooth as the curve
  const drawn = Array.from({ length: DRAWS }, () =>
    measures.map((measure) => ({
      ...measure,
      value: Math.max(measure.value * 0.05, measure.value + random.normal(0, measure.spread)),
    })),
  );
  const crankAt = (from: readonly Measure[], celsius: number) => {
    const vehicle = withMeasuredSpeed(system, from, celsius, assumptions);
    if (change === 'new-battery') renewBattery(vehicle);
    if (change === 'repaired-ground')
      for (const piece of PATHS['drop-starter-ground'].pieces)
        vehicle.pieces[piece] = Math.min(vehicle.pieces[piece], soundPieceOhms(piece, vehicle));
    return crank(vehicle);
  };
  const points = FORECAST_CELSIUS.map((celsius): ForecastPoint => {
    const { postVolts, rpm } = crankAt(measures, celsius);
    const speeds = drawn.map((from) => crankAt(from, celsius).rpm).sort((a, b) => a - b);
    const [slowest, fastest] = ENDS.map((share) => speeds[Math.round(share * (DRAWS - 1))]!) as [number, number];
    return { celsius, volts: postVolts, rpm, slowest: Math.min(slowest, rpm), fastest: Math.max(fastest, rpm) };
  });
  return { points, startsDownTo: coldestStart(points) };
}

/** The coldest at which the middle of the band still fires, between two points by a straight line. */
function coldestStart(points: readonly ForecastPoint[]): number | null {
  const [first] = points;
  if (first && first.rpm >= FIRES_FROM_RPM) return first.celsius;
  for (let at = 1; at < points.length; at++) {
    const [cold, warm] = [points[at - 1]!, points[at]!];
    if (warm.rpm < FIRES_FROM_RPM) continue;
    const share = (FIRES_FROM_RPM - cold.rpm) / (warm.rpm - cold.rpm);
    return Math.round(cold.celsius + share * (warm.celsius - cold.celsius));
  }
  return null;
}
