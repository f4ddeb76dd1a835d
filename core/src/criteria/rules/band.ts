import { finiteEnds, sayer } from '../../words/phrases';
import type { Voice } from '../../words/phrases';
import type { TestName } from '../../format/names';
import type { Reading } from '../../format/case-shape';
import type { Sight } from '../../judge/situation';
import { TESTS } from '../../trade/tables';
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

function rangeOf(figures: Band, { test }: Reading, { scale, case: { conditions } }: Sight): RuleFigures {
  const factor = TESTS[test].scales ? scale : 1;
  const { perCelsius = 0, ceiling = Infinity } = figures;
  const { min, max } = openRange(figures);
  const shift = perCelsius * (BAND_CELSIUS - (conditions?.ambientCelsius ?? BAND_CELSIUS));
  const range = {
    min: (min + Math.min(0, shift)) * factor,
    max: Math.min(ceiling, max + Math.max(0, shift)) * factor,
  };
  const ends = finiteEnds(range);
  return { min: range.min, max: range.max, drawn: range, bound: say('band', { test, min: ends.min, max: ends.max }) };
}

export const band: Rule<Band> = {
  zone: (borderline, _made, { test }, { scale }) => borderline * (TESTS[test].scales ? scale : 1),
  phrases,
  resolve: rangeOf,
  // over every range of the meter
  resolveOpen: (figures, reading, sight) => ({ ...rangeOf(figures, reading, sight), value: Infinity }),
};
