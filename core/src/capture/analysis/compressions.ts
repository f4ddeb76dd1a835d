/** The compressions of a cranked engine: how often they come, and how alike they are. */
import { autocorrelation, peakNear } from '../signal/spectrum';
import { movingMean } from '../signal/moving-mean';
import { meanOf, quantilesOf } from '../signal/stretch';

export interface Rhythm {
  /** Blocks of one compression; need not be whole. */
  readonly period: number;
  /** 0 to 1: how alike one round is to the next. */
  readonly likeness: number;
}

/** Compressions a second of cranked engines, lowest and highest. */
const SLOWEST_HZ = 2.5;
const FASTEST_HZ = 45;
/** A first likeness of this share of the highest is a compression; one weak cylinder lowers it that far. */
const FIRST_SHARE = 0.2;
/** Below this nothing comes back in a rhythm. */
const MIN_LIKENESS = 0.25;
/** Slower than this is drift, s. */
const DRIFT_S = 0.5;
/** Noise of single blocks is stilled over this, s, and a change is taken over twice this. */
const STILLED_S = 0.012;
const CHANGE_S = 0.006;

const stilled = (wave: Float32Array, blockS: number): Float32Array =>
  movingMean(wave, Math.max(1, Math.round(STILLED_S / blockS)));

/**
 * The wave without its drift and without the noise of single blocks.
 *
 * @param wave Amps, or volts upside down, block by block.
 * @param blockS Length of a block, s.
 */
export function level(wave: Float32Array, blockS: number): Float32Array {
  const drift = movingMean(wave, Math.round(DRIFT_S / blockS));
  return stilled(wave, blockS).map((value, at) => value - drift[at]!);
}

/**
 * How fast the current changes. The engine's mass stills what the motor feels of each compression, so that the
 * current runs after the load like a charging capacitor, and its change shows the load itself.
 *
 * @param wave Amps, or volts upside down, block by block.
 * @param blockS Length of a block, s.
 */
export function change(wave: Float32Array, blockS: number): Float32Array {
  const still = stilled(wave, blockS);
  const reach = Math.max(1, Math.round(CHANGE_S / blockS));
  return still.map((_, at) => still[Math.min(still.length - 1, at + reach)]! - still[Math.max(0, at - reach)]!);
}

/** A single large change, of an engine that gathers speed or fires, must not outweigh all compressions. */
const MAX_TIMES = 2.5;
function bounded(values: Float32Array): Float32Array {
  const [low, middle, high] = quantilesOf(values, [0.2, 0.5, 0.8]) as [number, number, number];
  const most = MAX_TIMES * Math.max(high - middle, middle - low);
  return values.map((value) => Math.max(middle - most, Math.min(middle + most, value)));
}

/**
 * @param wave Amps, or volts upside down, block by block.
 * @param blockS Length of a block, s.
 * @returns Null where no rhythm is found.
 */
export function rhythmOf(wave: Float32Array, blockS: number): Rhythm | null {
  const half = Math.floor(wave.length / 2);
  const shortest = Math.max(MIN_PERIOD, Math.round(1 / (FASTEST_HZ * blockS)));
  const longest = Math.min(half - 1, Math.round(1 / (SLOWEST_HZ * blockS)));
  if (longest <= shortest + 2) return null;
  const plain = bounded(change(wave, blockS));
  const mean = meanOf(plain);
  const alike = autocorrelation(
    plain.map((value) => value - mean),
    half,
  );
  const isPeak = (lag: number): boolean => alike[lag]! >= alike[lag - 1]! && alike[lag]! > alike[lag + 1]!;
  const peaks: number[] = [];
  let falls = false;
  for (let lag = 1; lag <= longest; lag++) {
    falls ||= alike[lag]! < 0; // before the first crossing the wave is only like itself
    if (falls && lag >= shortest && isPeak(lag)) peaks.push(lag);
  }
  const highest = Math.max(...peaks.map((lag) => alike[lag]!), 0);
  if (highest < MIN_LIKENESS) return null;
  // a rhythm goes on, and is least like itself half a round later; noise does neither
  const goesOn = (lag: number): boolean =>
    alike[lag >> 1]! < alike[lag]! / 2 && Math.max(...alike.subarray(2 * lag - 2, 2 * lag + 3)) > alike[lag]! / 3;
  const first = peaks.find((lag) => alike[lag]! > FIRST_SHARE * highest && goesOn(lag));
  if (first === undefined) return null;
  let period = peakNear(alike, first);
  // further rounds tell the period more finely
  for (let round = 2; (round + 0.3) * period < half - 2; round++) {
    const from = Math.floor((round - 0.25) * period);
    const to = Math.ceil((round + 0.25) * period);
    let best = from;
    for (let lag = from; lag <= to; lag++) if (alike[lag]! > alike[best]!) best = lag;
    if (best > from && best < to && alike[best]! > FIRST_SHARE * highest) period = peakNear(alike, best) / round;
  }
  return { period, likeness: Math.min(1, highest) };
}

export interface Compression {
  /** The block of its peak. */
  readonly at: number;
  /** Peak above the valleys on both sides. */
  readonly height: number;
}

/** A compression of fewer blocks has no peak that could be found. */
const MIN_PERIOD = 4;
/** How far from its expected place a peak is looked for, in periods. */
const SEARCH = 0.28;

/**
 * Every compression of a stretch, in order; one that leaves no peak stands where it was due.
 *
 * @param plain The stretch's level or change.
 */
export function compressionsOf(plain: Float32Array, { period }: Rhythm): readonly Compression[] {
  if (!(period >= MIN_PERIOD)) return [];
  const reach = Math.max(1, Math.round(SEARCH * period));
  const highestIn = (from: number, to: number): number => {
    let best = Math.max(0, from);
    for (let at = best; at < Math.min(plain.length, to); at++) if (plain[at]! > plain[best]!) best = at;
    return best;
  };
  const lowestIn = (from: number, to: number): number => {
    let least = Infinity;
    for (let at = Math.max(0, from); at < Math.min(plain.length, to); at++) least = Math.min(least, plain[at]!);
    return least;
  };
  const near = (due: number): number => {
    const best = highestIn(Math.round(due) - reach, Math.round(due) + reach + 1);
    const isEdge = best <= due - reach + 1 || best >= due + reach - 1;
    return isEdge ? due : best;
  };
  const start = highestIn(Math.floor(plain.length / 2 - period), Math.ceil(plain.length / 2 + period));
  const places = [start];
  for (let due = start + period; due < plain.length - period * 0.3; due += period) {
    due = near(due);
    places.push(due);
  }
  for (let due = start - period; due > period * 0.3; due -= period) {
    due = near(due);
    places.unshift(due);
  }
  return places.map((place): Compression => {
    const at = Math.round(place);
    const side = Math.round(0.65 * period);
    const left = lowestIn(at - side, at);
    const right = lowestIn(at, at + side);
    const valley = Number.isFinite(left) && Number.isFinite(right) ? (left + right) / 2 : Math.min(left, right);
    return { at, height: Math.max(0, (plain[at] ?? 0) - valley) };
  });
}
