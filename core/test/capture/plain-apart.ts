/**
 * A recorded start taken apart the plain and slow way, sample by sample: no blocks, no transform, no shortcut. What
 * the fast way finds is compared with it. It knows clean starts only.
 */
import { mean, median } from 'simple-statistics';
import type { StartRecord } from '../../src/simulation';

export interface PlainApart {
  readonly restV: number;
  readonly inrushV: number;
  readonly inrushA: number;
  readonly sustainedV: number;
  readonly sustainedA: number;
  readonly compressionsHz: number;
  readonly ohm: number;
  readonly chargingV: number;
}

/** A starter pulls the volts this far below rest, V. */
const FALL_V = 0.6;
/** The first peak of the current lies within this of the begin, s. */
const INRUSH_S = 0.2;
/** Left out at both ends of the crank where the speed is not steady, as shares of it. */
const UNSTEADY = { begin: 0.4, end: 0.2 } as const;
/** Cranking lies between these, compressions a second. */
const SLOWEST_HZ = 2.5;
const FASTEST_HZ = 20;
const STEP_HZ = 0.04;
/** Slower than this is charge and warmth, s. */
const DRIFT_S = 0.4;
/** The end of the record, when the charging has settled, s. */
const SETTLED_S = 0.5;

/** The mean around every sample, each sum made anew. */
function meansAround(values: readonly number[], width: number): number[] {
  const half = Math.floor(width / 2);
  return values.map((_, at) => {
    let [sum, count] = [0, 0];
    for (let near = Math.max(0, at - half); near <= at + half && near < values.length; near++, count++)
      sum += values[near]!;
    return sum / count;
  });
}

/** The frequency that turns with the values most, tried one by one under a Hann window, Hz. */
function strongestHz(values: readonly number[], sampleRateHz: number): number {
  const power = (hz: number): number => {
    let [cosine, sine] = [0, 0];
    values.forEach((value, at) => {
      const weight = 0.5 - 0.5 * Math.cos((2 * Math.PI * at) / values.length);
      const angle = (2 * Math.PI * hz * at) / sampleRateHz;
      cosine += weight * value * Math.cos(angle);
      sine += weight * value * Math.sin(angle);
    });
    return cosine ** 2 + sine ** 2;
  };
  let [best, most] = [0, 0];
  for (let hz = SLOWEST_HZ; hz < FASTEST_HZ; hz += STEP_HZ) {
    const own = power(hz);
    if (own > most) [best, most] = [hz, own];
  }
  return best;
}

export function plainApart({ volts, amps, sampleRateHz }: StartRecord): PlainApart {
  const [v, a] = [Array.from(volts), Array.from(amps)];
  const inSamples = (seconds: number): number => Math.round(seconds * sampleRateHz);
  const restV = median(v.slice(0, inSamples(0.5)));
  const begin = v.findIndex((value) => value < restV - FALL_V);
  const inrush = { from: begin - inSamples(0.02), to: begin + inSamples(INRUSH_S) };
  const smooth = meansAround(v, inSamples(0.1));
  const level = median(smooth.slice(inrush.to, inrush.to + inSamples(1)));
  const end = smooth.findIndex((value, at) => at > inrush.to && value > (level + restV) / 2);
  const crank = { from: inrush.to, to: end - inSamples(0.05) };
  const length = crank.to - crank.from;
  const from = crank.from + Math.round(UNSTEADY.begin * length);
  const to = crank.to - Math.round(UNSTEADY.end * length);
  const withoutDrift = (values: readonly number[]): number[] => {
    const drift = meansAround(values, inSamples(DRIFT_S));
    return values.map((value, at) => value - drift[at]!);
  };
  const compressionsHz = strongestHz(withoutDrift(a.slice(from, to)), sampleRateHz);
  const period = sampleRateHz / compressionsHz;
  const whole = from + Math.round(Math.floor((to - from) / period) * period);
  const [dv, da] = [withoutDrift(v.slice(begin, end)), withoutDrift(a.slice(begin, end))];
  return {
    restV,
    inrushV: Math.min(...v.slice(inrush.from, inrush.to)),
    inrushA: Math.max(...a.slice(inrush.from, inrush.to)),
    sustainedV: mean(v.slice(from, whole)),
    sustainedA: mean(a.slice(from, whole)),
    compressionsHz,
    ohm: -da.reduce((sum, value, at) => sum + value * dv[at]!, 0) / da.reduce((sum, value) => sum + value ** 2, 0),
    chargingV: mean(v.slice(-inSamples(SETTLED_S))),
  };
}
