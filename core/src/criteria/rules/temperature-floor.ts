import { loadFloorVolts } from '../../battery/sag-share';
import { interpolate } from '../../quantities/interpolate';
import type { Points } from '../../quantities/interpolate';
import { sayer } from '../../format/message';
import type { Message, Voice } from '../../format/message';
import { scaledZone } from './rule';
import type { Rule, RuleFigures } from './rule';

/**
 * At least the floor for the battery's temperature; points are [°C, V] of a 12 V system. Of a load test they are the floor at
 * half the CCA: any other load has its own, by the sag that the half-CCA floor allows.
 */
export interface TemperatureFloor {
  readonly points: Points;
}

/** Under this share of the CCA a load passes nothing, and only volts under the half-CCA floor fail: they collapsed. */
export const MIN_LOAD_SHARE = 0.1;

const phrases = {
  'temperature-floor': ({ min, celsius }: { min: number; celsius: number }, voice: Voice) =>
    `at least ${voice.volts(min)} at ${voice.celsius(celsius)}`,
  'load-floor': (w: { min: number; celsius: number; amps: number; cca: number }, voice: Voice) =>
    `at least ${voice.volts(w.min)} at ${voice.celsius(w.celsius)} under ${voice.amps(w.amps)}, ${voice.share(w.amps / w.cca)} of the CCA`,
};
const say = sayer(phrases);

export const temperatureFloor: Rule<TemperatureFloor> = {
  fields: {
    points: { name: 'At least, by temperature', unit: 'V', min: 4, max: 14 },
  },
  zone: scaledZone,
  phrases,
  resolve({ points }, _value, { celsius, scale, load, resting }) {
    const half = interpolate(points, celsius) * scale;
    const floor = (min: number, bound: Message): RuleFigures => ({ min, drawn: { min, max: Infinity }, bound });
    if (load === null || load.amps < MIN_LOAD_SHARE * load.cca)
      return floor(half, say('temperature-floor', { min: half, celsius }));
    const min = loadFloorVolts(half, resting, load.amps, load.cca, scale);
    return floor(
      min,
      min === half ? say('temperature-floor', { min, celsius }) : say('load-floor', { min, celsius, ...load }),
    );
  },
};
