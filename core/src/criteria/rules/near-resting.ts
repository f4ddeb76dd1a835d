import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { scaledZone } from './rule';
import type { Rule } from './rule';

/** At most this many volts (12 V) under the resting voltage. */
export interface NearResting {
  readonly tolerance: number;
}

const phrases = {
  'near-resting': ({ min, resting }: { min: number; resting: number }, voice: Voice) =>
    `at least ${voice.volts(min)} (the battery has ${voice.volts(resting)})`,
};
const say = sayer(phrases);

export const nearResting: Rule<NearResting> = {
  fields: {
    tolerance: { name: 'Under resting voltage, at most', unit: 'V', min: 0, max: 6 },
  },
  zone: scaledZone,
  phrases,
  resolve({ tolerance }, _value, { resting, scale, conditions: { terminal } }) {
    // a lamp or enable terminal has volts of its own
    if (resting === null || terminal === 'lamp' || terminal === 'enable') return null;
    const min = resting - tolerance * scale;
    return { min, drawn: { min, max: Infinity }, bound: say('near-resting', { min, resting }) };
  },
};
