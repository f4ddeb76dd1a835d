import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { scaledZone } from './rule';
import type { Rule } from './rule';

/** At most this many volts (12 V) under the resting voltage. */
export interface Sag {
  readonly maxVolts: number;
}

const phrases = {
  'most-sag': ({ min, sag }: { min: number; sag: number }, voice: Voice) =>
    `at least ${voice.volts(min)} (${voice.volts(sag)} under resting)`,
};
const say = sayer(phrases);

export const sag: Rule<Sag> = {
  fields: {
    maxVolts: { name: 'Under resting voltage, at most', unit: 'V', min: 0, max: 6 },
  },
  zone: scaledZone,
  phrases,
  resolve({ maxVolts }, _value, { resting, scale, temperatureFactor }) {
    if (resting === null) return null;
    const most = maxVolts * scale * temperatureFactor;
    const min = resting - most;
    return { min, drawn: { min, max: Infinity }, bound: say('most-sag', { min, sag: most }) };
  },
};
