import { cellSpread } from '../../battery/gravity';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import type { Rule } from './rule';

/** At most this difference between the highest and the lowest cell. */
export interface CellSpread {
  readonly max: number;
}

const phrases = {
  'cell-spread': ({ max, found }: { max: number; found?: number }, voice: Voice) =>
    `at most ${voice.plain(max, 3)} between cells${found === undefined ? '' : `; this is ${voice.plain(found, 3)}`}`,
};
const say = sayer(phrases);

export const spread: Rule<CellSpread> = {
  tests: ['specific-gravity'],
  fields: {
    max: { name: 'Between cells, at most', unit: 'SG', min: 0, max: 0.3 },
  },
  phrases,
  resolve: () => null,
  resolveList({ max }, values) {
    const value = cellSpread(values);
    return { value, max, drawn: null, bound: say('cell-spread', { max, found: value }) };
  },
};
