import { ratedIn } from '../../battery/rating';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import type { Rule } from './rule';

/** At least this share of the battery's rating, in the same standard. */
export interface RatedShare {
  readonly minShare: number;
}

const phrases = {
  'rated-share': ({ minShare, rated, found }: { minShare: number; rated: number; found?: number }, voice: Voice) =>
    `at least ${voice.share(minShare)} of ${voice.amps(rated)} rated${found === undefined ? '' : `; this is ${voice.share(found)}`}`,
};
const say = sayer(phrases);

export const ratedShare: Rule<RatedShare> = {
  tests: ['conductance'],
  fields: {
    minShare: { name: 'Of its rating, at least', unit: 'share', min: 0, max: 1.2 },
  },
  phrases,
  resolve({ minShare }, value, { system, isLabelDoubted, conditions: { percentOfRating } }) {
    const rated = ratedIn(system.battery);
    if (rated === null || isLabelDoubted) return null;
    // a tester that prints only a percentage has divided by the label that it was told
    const share = percentOfRating === undefined ? value / rated : percentOfRating / 100;
    return {
      value: share,
      min: minShare,
      perUnit: 1 / rated,
      drawn: { min: minShare * rated, max: Infinity },
      bound: say('rated-share', { minShare, rated, found: share }),
    };
  },
};
