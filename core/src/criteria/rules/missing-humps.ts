import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import type { Rule } from './rule';

/** At most so many humps of six missing in the waveform; where nobody counted them it says nothing. */
export interface MissingHumps {
  readonly most: number;
}

const phrases = {
  'missing-humps': ({ most, found }: { most: number; found?: number }, voice: Voice) => {
    const allowed =
      most === 0 ? 'no hump of six' : `at most ${voice.plain(most, 0)} ${most === 1 ? 'hump' : 'humps'} of six`;
    return `${allowed} missing${found === undefined ? '' : `; here ${voice.plain(found, 0)}`}`;
  },
};
const say = sayer(phrases);

export const missingHumps: Rule<MissingHumps> = {
  tests: ['ripple-waveform'],
  fields: {
    most: { name: 'Humps missing of six, at most', unit: '', min: 0, max: 5 },
  },
  phrases,
  resolve({ most }, _value, { conditions }) {
    const missing = conditions.humpsMissing;
    if (missing === undefined) return null;
    return { value: missing, max: most, drawn: null, bound: say('missing-humps', { most, found: missing }) };
  },
};
