/** What the compressions of a crank tell of the engine: its speed, and how alike its cylinders are. */
import { linearRegression, mean, median } from 'simple-statistics';
import { movingMean } from '../signal/moving-mean';
import { change, compressionsOf, level } from './compressions';
import type { Compression, Rhythm } from './compressions';
import { compareCylinders } from './cylinders';
import type { Cylinders } from './cylinders';
import type { Crank } from './find-cranks';
import type { Signal } from './signal';
import { pulsing } from './steady';
import type { Steady } from './steady';

export interface EnginePulses {
  readonly compressionsHz: number;
  /** Null where the number of cylinders is not known, or too few rounds were seen. */
  readonly cylinders: Cylinders | null;
}

/** So much after the inrush the engine has its speed, s. */
const GATHERS_S = 0.12;
/** A compression is felt most a little before its middle. */
const FELT_AT = 0.4;
/** Noise is stilled over this, s. */
const STILLED_S = 0.01;
/** A speed is read from so many compressions at least. */
const MIN_COMPRESSIONS = 4;
const MIN_ROUNDS = 2;

/** @param inrushTo One past the block in which the inrush ends. @param useAmps Whether the clamp shows the current. */
export function enginePulses(
  signal: Signal,
  crank: Crank,
  inrushTo: number,
  steady: Steady,
  useAmps: boolean,
): EnginePulses | null {
  const { rhythm, from, runTo } = steady;
  if (!rhythm) return null;
  const { blockS } = signal.volts.envelope;
  const wave = pulsing(signal, inrushTo, runTo, useAmps);
  const changes = compressionsOf(change(wave, blockS), rhythm);
  const compressionsHz = 1 / (paceOf(changes, rhythm, from - inrushTo, signal.cylinders) * blockS);
  const { cylinders } = signal;
  if (cylinders === null) return { compressionsHz, cylinders: null };
  const passed = passedSince(signal, crank, steady, compressionsHz);
  const looks = [changes, compressionsOf(level(wave, blockS), rhythm)].flatMap((whole) => {
    // the last one may already be helped by an engine that fires
    const gathered = whole.slice(0, -1).filter(({ at }) => at >= GATHERS_S / blockS);
    return compareCylinders(gathered, cylinders, numberOfFirst(gathered, passed, inrushTo - crank.from)) ?? [];
  });
  // the view in which the others are most alike is the true one
  const best = looks.reduce<Cylinders | null>((kept, own) => (kept && kept.unlike <= own.unlike ? kept : own), null);
  return { compressionsHz, cylinders: best };
}

/**
 * How many compressions have passed at every block since the current began. A motor that stands takes what volts
 * and resistance let through; what the volts lack of that later is its own back-voltage, which goes with the speed.
 */
function passedSince({ volts }: Signal, crank: Crank, steady: Steady, compressionsHz: number): Float32Array {
  const { blockS, mean: wave } = volts.envelope;
  const until = steady.runTo - crank.from;
  const part = movingMean(wave.subarray(crank.from, steady.runTo), Math.max(1, Math.round(STILLED_S / blockS)));
  const lowest = part.reduce((least, value) => Math.min(least, value), Infinity);
  const perFall = lowest / Math.max(0.01, crank.beforeV - lowest);
  const back = (value: number): number => Math.max(0, value - perFall * (crank.beforeV - value));
  const atPace = back(steady.volts);
  const passed = new Float32Array(until);
  let sum = 0;
  for (let at = 0; at < until; at++) {
    sum += (atPace > 0 ? Math.min(1.2, back(part[at]!) / atPace) : 1) * compressionsHz * blockS;
    passed[at] = sum;
  }
  return passed;
}

/** Which compression of the crank the first of a list is, from 0. */
function numberOfFirst(compressions: readonly Compression[], passed: Float32Array, offset: number): number {
  const numbers = compressions.map(
    ({ at }, place) => passed[Math.min(passed.length - 1, at + offset)]! - FELT_AT - place,
  );
  return numbers.length > 0 ? Math.max(0, Math.round(median(numbers))) : 0;
}

/**
 * Blocks of one compression in the steady part. A weak cylinder lets the engine run uneven, so where rounds are
 * known each compression is held against the same one a round later; else the slope of their places is taken.
 */
function paceOf(
  compressions: readonly Compression[],
  { period }: Rhythm,
  from: number,
  cylinders: number | null,
): number {
  const places = compressions.map(({ at }) => at).filter((at) => at >= from - period / 2);
  const rounds =
    cylinders === null ? [] : places.slice(cylinders).map((at, number) => (at - places[number]!) / cylinders);
  if (rounds.length < MIN_ROUNDS && places.length < MIN_COMPRESSIONS) return period;
  const pace =
    rounds.length >= MIN_ROUNDS
      ? mean(rounds)
      : linearRegression(places.map((at, number): [number, number] => [number, at])).m;
  // peaks of few compressions jitter, and the likeness of whole rounds misses what changes: together they err less
  return Math.abs(pace / period - 1) < 0.3 ? (pace + period) / 2 : period;
}
