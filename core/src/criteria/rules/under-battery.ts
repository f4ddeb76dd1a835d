import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { scaledZone } from './rule';
import type { Rule } from './rule';

/** At most this many volts (12 V) under what the battery has while the key is at start. */
export interface UnderBattery {
  readonly maxVolts: number;
}

const phrases = {
  'under-battery': ({ min, there, max }: { min: number; there: number; max: number }, voice: Voice) =>
    `at least ${voice.volts(min)} (${voice.volts(max)} under the battery’s ${voice.volts(there)})`,
};
const say = sayer(phrases);

export const underBattery: Rule<UnderBattery> = {
  tests: ['starter-control-voltage', 'starter-motor-voltage'],
  fields: {
    maxVolts: { name: 'Under the battery’s volts, at most', unit: 'V', min: 0, max: 6 },
  },
  zone: scaledZone,
  phrases,
  resolve({ maxVolts }, value, { cranking, resting, scale }) {
    const there = cranking() ?? resting;
    if (there === null) return null;
    const max = maxVolts * scale;
    const min = there - max;
    return {
      value: there - value,
      max,
      drawn: { min, max: Infinity },
      bound: say('under-battery', { min, there, max }),
    };
  },
};
