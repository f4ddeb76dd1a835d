/** A limit as a reading meets it at each temperature, on a usual vehicle: worked out by the core, never drawn by hand. */
import { BALANCED, CASE_FORMAT, assessCase } from '@tetrad/core';
import type { Case, Limit, Reading } from '@tetrad/core';

export interface LimitPoint {
  readonly celsius: number;
  /** Null where the range has no such end. */
  readonly min: number | null;
  readonly max: number | null;
  /** Where the borderline zone inside the limit ends. */
  readonly nearMin: number | null;
  readonly nearMax: number | null;
}

const COLDEST = -30;
const WARMEST = 45;
const STEP = 5;
const USUAL: Case['system'] = {
  nominalVolts: 12,
  engine: { cylinders: 4, fuel: 'petrol', displacementLitres: 1.8 },
  battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE', confirmed: true }, capacityAh: 60 },
  alternator: { ratedAmps: 110, regulation: 'fixed' },
};
const finite = (value: number): number | null => (Number.isFinite(value) ? value : null);

/** @returns nothing for a limit that such a vehicle's readings cannot meet. */
export function limitOverTemperature(limit: Limit): readonly LimitPoint[] {
  const { fuel = 'petrol', regulation = 'fixed', loads = 'off', methods = ['watched'] } = limit.when ?? {};
  const system: Case['system'] = {
    ...USUAL,
    engine: { ...USUAL.engine, fuel },
    alternator: { ...USUAL.alternator, regulation },
  };
  const criteria = { ...BALANCED, limits: [limit] };
  const points: LimitPoint[] = [];
  for (let celsius = COLDEST; celsius <= WARMEST; celsius += STEP) {
    const reading = {
      id: 'r',
      test: limit.test,
      value: 12,
      conditions: { loads, method: methods[0]!, rpm: 2000, amps: 150, seconds: 15 },
    } as Reading;
    const resting: Reading = {
      id: 'rest',
      test: 'resting-voltage',
      value: 12.6,
      conditions: { surfaceChargeRemoved: true },
    };
    const readings = limit.test === 'resting-voltage' ? [reading] : [resting, reading];
    const subject: Case = {
      format: CASE_FORMAT,
      system,
      conditions: { batteryCelsius: celsius, ambientCelsius: celsius },
      readings,
    };
    const resolved = assessCase(subject, criteria).find(({ id }) => id === 'r')?.resolved;
    if (!resolved?.drawn) continue;
    const { min, max } = resolved.drawn;
    const zone = limit.borderline ?? 0;
    points.push({
      celsius,
      min: finite(min),
      max: finite(max),
      nearMin: zone > 0 ? finite(min + zone) : null,
      nearMax: zone > 0 ? finite(max - zone) : null,
    });
  }
  return points;
}
