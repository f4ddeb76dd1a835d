/** Ripple of the charging volts, AC coupled by us: how much, how often, how even, and which humps are missing. */
import { mean, median } from 'simple-statistics';
import { movingMean } from '../signal/moving-mean';
import { autocorrelation, peakNear, powerOfTwoUpTo, strongestLines } from '../signal/spectrum';
import type { Line } from '../signal/spectrum';
import { quantilesOf } from '../signal/stretch';
import { foldedHumps } from './humps';
import type { FoldedHumps } from './humps';

export interface Ripple {
  readonly peakToPeakV: number;
  readonly rmsV: number;
  /** Null where no rhythm is found. */
  readonly humpHz: number | null;
  /** 0 to 6; null where the record does not show single humps. */
  readonly humpsMissing: number | null;
  /** 0 to 1: how alike one electrical turn is to the next. */
  readonly regularity: number;
  readonly diode: 'sound' | 'open' | 'shorted' | null;
  /** Share of the stretches looked at that say so. */
  readonly agreement: number;
  readonly lines: readonly Line[];
}

/** Slower than this is charging and loads, not ripple, s. */
const COUPLED_S = 0.025;
/** Stretches looked at, their length, s, and samples at most. */
const STRETCHES = 7;
const STRETCH_S = 0.16;
const MAX_SAMPLES = 1 << 15;
/** Electrical turns a second of a running alternator: idling slowly to full speed. */
const TURN_HZ: readonly [number, number] = [60, 2500];
/** A hump needs at least so many samples to be seen as one. */
const SAMPLES_A_HUMP = 3.2;
/** A lag is the rhythm from this share of the highest likeness on. */
const FIRST_SHARE = 0.88;
/** Below this likeness there is no rhythm in the noise. */
const MIN_REGULARITY = 0.25;
/** Peak to peak over RMS of noise is no ripple: outer samples beyond this share are left out. */
const OUTER = 0.002;
const LINES_TOLD = 3;
/** A recorder on too coarse a scale shows steps where humps are: fewer values than this in a stretch count none. */
const MIN_LEVELS = 5;

/**
 * What an AC range would show of a channel: what is slower than ripple is taken out.
 *
 * @param samples V.
 * @param sampleRateHz Samples a second.
 * @returns As many samples, V, around 0.
 */
export const coupled = (samples: Float32Array, sampleRateHz: number): Float32Array => {
  const level = movingMean(samples, Math.round(COUPLED_S * sampleRateHz));
  return samples.map((value, at) => value - level[at]!);
};

interface Looked {
  readonly humpHz: number | null;
  readonly regularity: number;
  readonly folded: FoldedHumps | null;
}

const UNSEEN: Looked = { humpHz: null, regularity: 0, folded: null };

/** Only a few values occur: the scale is made for much larger volts. */
function isTooCoarse(samples: Float32Array, from: number, length: number): boolean {
  const levels = new Set<number>();
  for (let at = from; at < from + length && levels.size < MIN_LEVELS; at++) levels.add(samples[at]!);
  return levels.size < MIN_LEVELS;
}

/** One rhythm of a stretch: the shortest lag at which it is like itself. */
function look(wave: Float32Array, sampleRateHz: number): Looked {
  const longest = Math.min(Math.floor(wave.length / 3), Math.ceil(sampleRateHz / TURN_HZ[0]));
  const alike = autocorrelation(wave, Math.min(wave.length >> 1, longest * 2 + 2));
  const peaks: number[] = [];
  let falls = false;
  for (let lag = 1; lag <= longest; lag++) {
    falls ||= alike[lag]! < 0.1 || alike[lag]! < alike[lag - 1]!;
    if (falls && alike[lag]! >= alike[lag - 1]! && alike[lag]! > alike[lag + 1]! && lag >= SAMPLES_A_HUMP)
      peaks.push(lag);
  }
  const highest = Math.max(0, ...peaks.map((lag) => alike[lag]!));
  if (highest < MIN_REGULARITY) return { humpHz: null, regularity: highest, folded: null };
  const first = peaks.find((lag) => alike[lag]! > FIRST_SHARE * highest)!;
  const period = refined(wave, first, alike);
  const folded = foldedHumps(wave, period);
  const humps = folded.turnsHumps;
  return { humpHz: (humps * sampleRateHz) / period, regularity: Math.min(1, highest), folded };
}

/** The period more finely: from the same likeness many rounds later. */
function refined(wave: Float32Array, first: number, near: Float64Array): number {
  const alike = autocorrelation(wave, wave.length >> 1);
  let period = peakNear(near, first);
  for (let rounds = 2; rounds * period < alike.length - period; rounds = Math.ceil(rounds * 1.5)) {
    const due = Math.round(rounds * period);
    const reach = Math.max(1, Math.floor(period * 0.2));
    let best = due;
    for (let lag = due - reach; lag <= due + reach; lag++) if (alike[lag]! > alike[best]!) best = lag;
    const isPeak = Math.abs(best - due) < reach || reach === 1;
    if (isPeak && alike[best]! > 0) period = peakNear(alike, best) / rounds;
  }
  return period;
}

/**
 * @param samples Charging volts, settled.
 * @param sampleRateHz Samples a second.
 * @returns Null where the stretch is too short.
 */
export function rippleOf(samples: Float32Array, sampleRateHz: number): Ripple | null {
  const length = powerOfTwoUpTo(Math.min(MAX_SAMPLES, Math.max(64, STRETCH_S * sampleRateHz)));
  if (samples.length < length * 1.5) return null;
  const looks: Looked[] = [];
  const peaks: number[] = [];
  const powers: number[] = [];
  let lines: readonly Line[] = [];
  for (let stretch = 0; stretch < STRETCHES; stretch++) {
    const from = Math.floor(((samples.length - length * 1.5) * stretch) / (STRETCHES - 1));
    // coupled with its surroundings, so that the ends are no worse than the middle
    const around = coupled(samples.slice(from, from + Math.floor(length * 1.5)), sampleRateHz);
    const edge = Math.floor(length / 4);
    const wave = around.slice(edge, edge + length);
    looks.push(isTooCoarse(samples, from, length) ? UNSEEN : look(wave, sampleRateHz));
    const [low, high] = quantilesOf(wave, [OUTER, 1 - OUTER]) as [number, number];
    peaks.push(high - low);
    powers.push(mean(Array.from(wave, (value) => value * value)));
    if (stretch === STRETCHES >> 1) lines = strongestLines(wave, sampleRateHz, LINES_TOLD, 1 / COUPLED_S);
  }
  const folds = looks.flatMap(({ folded }) => folded ?? []);
  const states = folds.map(({ diode }) => diode);
  const verdicts = (['open', 'shorted', 'sound'] as const).map((state) => ({
    state,
    count: states.filter((own) => own === state).length,
  }));
  const most = verdicts.reduce((a, b) => (b.count > a.count ? b : a));
  const agreement = most.count / STRETCHES;
  const agreed = folds.filter(({ diode }) => diode === most.state);
  const decided = most.count > STRETCHES / 2;
  const rates = looks.flatMap(({ humpHz, folded }) =>
    humpHz !== null && (!decided || folded?.diode === most.state) ? humpHz : [],
  );
  const foldedPeak = agreed.length > 0 ? median(agreed.map(({ peakToPeak }) => peakToPeak)) : null;
  return {
    peakToPeakV: decided && foldedPeak !== null ? foldedPeak : median(peaks),
    rmsV: Math.sqrt(median(powers)),
    humpHz: decided && rates.length > 0 ? median(rates) : null,
    humpsMissing: decided ? median(agreed.map(({ missing }) => missing)) : null,
    regularity: median(looks.map(({ regularity }) => regularity)),
    diode: decided ? most.state : null,
    agreement,
    lines,
  };
}
