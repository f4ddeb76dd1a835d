import { interpolate } from '../../quantities/interpolate';
import type { Points } from '../../quantities/interpolate';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { scaledZone } from './rule';
import type { Rule } from './rule';

/** At least the floor for the battery's temperature; points are [°C, V] of a 12 V system. */
export interface TemperatureFloor {
  readonly points: Points;
}

const phrases = {
  'temperature-floor': ({ min, celsius }: { min: number; celsius: number }, voice: Voice) =>
    `at least ${voice.volts(min)} at ${voice.celsius(celsius)}`,
};
const say = sayer(phrases);

export const temperatureFloor: Rule<TemperatureFloor> = {
  fields: {
    points: { name: 'At least, by temperature', unit: 'V', min: 4, max: 14 },
  },
  zone: scaledZone,
  phrases,
  resolve({ points }, _value, { celsius, scale }) {
    const min = interpolate(points, celsius) * scale;
    return { min, drawn: { min, max: Infinity }, bound: say('temperature-floor', { min, celsius }) };
  },
};
