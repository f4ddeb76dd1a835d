import { sayer } from '../../words/phrases';
import type { Voice } from '../../words/phrases';
import { scaledZone } from './rule';
import type { Rule } from './rule';

/** At most this many volts (12 V) under the resting voltage. */
export interface NearResting {
  readonly tolerance: number;
}

const phrases = {
  'near-resting': ({ min }: { min: number }, voice: Voice) => `at least ${voice.volts(min)} (battery voltage)`,
};
const say = sayer(phrases);

export const nearResting: Rule<NearResting> = {
  zone: scaledZone,
  phrases,
  resolve({ tolerance }, _reading, { resting, scale }) {
    if (resting === null) return null;
    const min = resting - tolerance * scale;
    return { min, drawn: { min, max: Infinity }, bound: say('near-resting', { min }) };
  },
};
