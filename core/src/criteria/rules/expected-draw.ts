import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import type { Rule } from './rule';

/** Inside the usual draw by cylinders and fuel, warmer or colder than 21 °C. */
export type UsualDraw = Readonly<Record<never, never>>;

const phrases = {
  'usual-draw': (w: { min: number; max: number; source: string }, voice: Voice) =>
    `${voice.amps(w.min)} to ${voice.amps(w.max)} (${w.source === 'unknown' ? 'wide: no usual figure for this engine' : w.source})`,
};
const say = sayer(phrases);

export const expectedDraw: Rule<UsualDraw> = {
  tests: ['starter-draw'],
  fields: {},
  phrases,
  // a typical range has soft ends, a share of its upper one; the maker's has none
  zone: (share, { max = 0 }, { draw }) => (draw.source === 'specified' ? 0 : share * max),
  resolve(_figures, _value, { draw: { min, max, source } }) {
    return { min, max, drawn: { min, max }, bound: say('usual-draw', { min, max, source }) };
  },
};
