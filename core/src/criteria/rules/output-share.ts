import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import type { Rule } from './rule';

/** At least this share of the alternator's rating, once the reading shows what it can give. */
export interface OutputShare {
  readonly minShare: number;
}

const phrases = {
  'output-share': ({ min, minShare, rated }: { min: number; minShare: number; rated: number }, voice: Voice) =>
    `at least ${voice.amps(min)} (${voice.share(minShare)} of ${voice.amps(rated)})`,
};
const say = sayer(phrases);

export const outputShare: Rule<OutputShare> = {
  tests: ['alternator-current'],
  fields: {
    minShare: { name: 'Of its rating, at least', unit: 'share', min: 0, max: 1 },
  },
  phrases,
  resolve({ minShare }, value, { system, showsCapability }) {
    const rated = system.alternator?.ratedAmps;
    if (rated === undefined || !showsCapability) return null;
    const min = minShare * rated;
    return {
      value: value / rated,
      min: minShare,
      perUnit: 1 / rated,
      drawn: { min, max: Infinity },
      bound: say('output-share', { min, minShare, rated }),
    };
  },
};
