import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { scaledZone } from './rule';
import type { Rule } from './rule';

/** At most this many volts (12 V) lost from what it began with. */
export interface Loss {
  readonly maxVolts: number;
}

const phrases = {
  'most-loss': ({ min, start }: { min: number; start: number }, voice: Voice) =>
    `at least ${voice.volts(min)} (it began at ${voice.volts(start)})`,
};
const say = sayer(phrases);

export const loss: Rule<Loss> = {
  fields: {
    maxVolts: { name: 'Loses at most', unit: 'V', min: 0, max: 6 },
  },
  zone: scaledZone,
  phrases,
  resolve({ maxVolts }, value, { conditions, resting, scale }) {
    const start = conditions.startVolts ?? resting;
    if (start === null) return null;
    const min = start - maxVolts * scale;
    return {
      value: start - value,
      max: maxVolts * scale,
      drawn: { min, max: Infinity },
      bound: say('most-loss', { min, start }),
    };
  },
};
