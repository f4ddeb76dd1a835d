/** The first moment of a start: the motor stands, and only resistance limits the current. */
import type { Crank } from './find-cranks';
import { movingMean } from '../signal/moving-mean';
import type { Channel, Signal } from './signal';

export interface Inrush {
  /** One past the last block in which the first current still falls to the steady one. */
  readonly toBlock: number;
  readonly volts: number;
  readonly amps: number | null;
  /** The sample of the lowest volts. */
  readonly at: number;
}

/** The extreme is read from a mean over this, s: longer than noise, far shorter than the current's rise. */
const STILLED_S = 0.4e-3;
/** From so many samples a second on there are enough of them for a mean. */
const STILLED_FROM_HZ = 5000;
/** The first current is over at the latest after this, s. */
const LONGEST_S = 0.8;
/** It is over where volts, stilled over this, s, have come back by this share of the way to the settled level. */
const BACK_S = 0.015;
const BACK_SHARE = 0.75;

const stilled = (samples: Float32Array, sampleRateHz: number): Float32Array =>
  sampleRateHz < STILLED_FROM_HZ ? samples : movingMean(samples, Math.round(STILLED_S * sampleRateHz) | 1);

/** The first dip and peak of one crank. */
export function inrushOf({ volts, amps, sampleRateHz }: Signal, crank: Crank): Inrush {
  const { width, blockS, mean } = volts.envelope;
  const end = Math.min(crank.to, crank.from + Math.round(LONGEST_S / blockS));
  const from = Math.max(0, (crank.from - 1) * width);
  const to = Math.min(volts.samples.length, end * width);
  const wave = stilled(volts.samples.subarray(from, to), sampleRateHz);
  let lowest = 0;
  for (let at = 1; at < wave.length; at++) if (wave[at]! < wave[lowest]!) lowest = at;
  const still = movingMean(mean.subarray(crank.from, end), Math.max(1, Math.round(BACK_S / blockS)));
  const back = wave[lowest]! + BACK_SHARE * (crank.aboutV - wave[lowest]!);
  let over = Math.max(1, Math.floor((from + lowest) / width) - crank.from);
  while (over < still.length && still[over]! < back) over++;
  return {
    toBlock: Math.min(crank.to, crank.from + over + 1),
    volts: wave[lowest]!,
    amps: amps && highestOf(amps, from, to, sampleRateHz),
    at: from + lowest,
  };
}

const highestOf = ({ samples }: Channel, from: number, to: number, sampleRateHz: number): number =>
  stilled(samples.subarray(from, to), sampleRateHz).reduce((most, value) => Math.max(most, value), -Infinity);
