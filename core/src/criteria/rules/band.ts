import { finiteEnds, sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import type { TestName } from '../../format/names';
import type { LimitInput } from '../limit-input';
import { openRange } from './rule';
import type { Rule, RuleFigures } from './rule';

/** Plain limits in the test's unit; volts per 12 V nominal. */
export interface Band {
  readonly min?: number;
  readonly max?: number;
  /** Both ends move by this for each °C under 25: the lower end in the heat, the upper in the cold. */
  readonly perCelsius?: number;
  /** The upper end never moves above this. */
  readonly ceiling?: number;
}

/** Temperature at which a band holds as it is written, °C. */
const BAND_CELSIUS = 25;

const phrases = {
  band: (w: { test: TestName; min: number | undefined; max: number | undefined }, voice: Voice) =>
    voice.range(w.test, w),
};
const say = sayer(phrases);

function rangeOf(
  figures: Band,
  { test, testScale, temperatureFactor, ambientCelsius = BAND_CELSIUS }: LimitInput,
): RuleFigures {
  const factor = testScale * temperatureFactor;
  const { perCelsius = 0, ceiling = Infinity } = figures;
  const { min, max } = openRange(figures);
  const shift = perCelsius * (BAND_CELSIUS - ambientCelsius);
  const range = {
    min: (min + Math.min(0, shift)) * factor,
    max: Math.min(ceiling, max + Math.max(0, shift)) * factor,
  };
  const ends = finiteEnds(range);
  return { min: range.min, max: range.max, drawn: range, bound: say('band', { test, min: ends.min, max: ends.max }) };
}

export const band: Rule<Band> = {
  fields: {
    min: { name: 'At least', unit: 'test', min: -1e6, max: 1e6, isOptional: true },
    max: { name: 'At most', unit: 'test', min: -1e6, max: 1e6, isOptional: true },
    perCelsius: { name: 'For each °C under 25', unit: 'test', min: 0, max: 0.1, isOptional: true },
    ceiling: { name: 'Never above', unit: 'test', min: -1e6, max: 1e6, isOptional: true },
  },
  zone: (borderline, _made, { testScale }) => borderline * testScale,
  phrases,
  resolve: (figures, _value, input) => rangeOf(figures, input),
  // over every range of the meter
  resolveOpen: (figures, input) => ({ ...rangeOf(figures, input), value: Infinity }),
};
