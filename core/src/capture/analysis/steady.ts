/** The steady part of a crank, over whole compressions. */
import { meanOf, medianOf } from '../signal/stretch';
import { movingMean } from '../signal/moving-mean';
import type { Crank } from './find-cranks';
import { rhythmOf } from './compressions';
import type { Rhythm } from './compressions';
import type { Signal } from './signal';

export interface Steady {
  /** Blocks. */
  readonly from: number;
  readonly to: number;
  readonly volts: number;
  readonly amps: number | null;
  readonly rhythm: Rhythm | null;
  /** Where the steady part ends though no whole round of cylinders fits in the rest, blocks. */
  readonly runTo: number;
  /** How much the mean over a compression still wanders within it, as a share of the sag. */
  readonly wanders: number;
}

/** Without a rhythm the mean over this is looked at, s. */
const USUAL_MEAN_S = 0.15;
/** The steady part keeps within this share of the sag. */
const KEEPS_WITHIN = 0.03;
/** At the end the engine may fire or the key let go, s. */
const END_S = 0.06;
/** At most these shares of a crank are left out at its ends. */
const MAX_LEFT_OUT = { start: 0.45, end: 0.3 } as const;
/** The settled level is that of the last part of the crank. */
const LAST_PART = 0.6;

/**
 * The clearer of amps and volts; volts fall where amps rise.
 *
 * @param from The first block.
 * @param to One past the last block.
 * @param useAmps Whether the clamp shows the current.
 */
export function pulsing({ volts, amps }: Signal, from: number, to: number, useAmps: boolean): Float32Array {
  const own = amps && useAmps ? amps.envelope.mean : volts.envelope.mean;
  const wave = own.slice(from, to);
  return amps && useAmps ? wave : wave.map((value) => -value);
}

/** @param inrushTo One past the block in which the inrush ends. @param useAmps Whether the clamp shows the current. */
export function steadyOf(signal: Signal, crank: Crank, inrushTo: number, useAmps: boolean): Steady | null {
  const { volts, amps } = signal;
  const { blockS, mean } = volts.envelope;
  const end = Math.max(inrushTo + 1, crank.to - Math.round(END_S / blockS));
  if (end - inrushTo < 3 || end > mean.length) return null;
  const lastPart = Math.floor(inrushTo + (end - inrushTo) * (1 - LAST_PART));
  const first = rhythmOf(pulsing(signal, lastPart, end, useAmps), blockS);
  const over = first ? roundOf(first, end - inrushTo, signal.cylinders) : USUAL_MEAN_S / blockS;
  const still = movingMean(mean.subarray(inrushTo, end), Math.max(1, Math.round(over)));
  const level = medianOf(still, lastPart - inrushTo, still.length);
  const sag = Math.max(0.05 * signal.scale, crank.beforeV - level);
  const run = settledPart(still, level, KEEPS_WITHIN * sag);
  const from = inrushTo + run.from;
  const runTo = inrushTo + run.to;
  const settled = rhythmOf(pulsing(signal, from, runTo, useAmps), blockS);
  const rhythm = settled && (!first || settled.likeness > first.likeness) ? settled : first;
  const whole = wholeRounds(runTo - from, rhythm, signal.cylinders);
  const to = Math.min(runTo, from + Math.max(1, Math.round(whole > 0 ? whole : runTo - from)));
  let wanders = 0;
  for (let at = from; at < to; at++) wanders = Math.max(wanders, Math.abs(still[at - inrushTo]! - level));
  return {
    from,
    to,
    runTo,
    volts: meanOf(mean, from, to),
    amps: amps && meanOf(amps.envelope.mean, from, to),
    rhythm,
    wanders: wanders / sag,
  };
}

/** What a mean must be taken over to be even: a round of all cylinders, in a short crank one compression. */
const roundOf = ({ period }: Rhythm, blocks: number, cylinders: number | null): number =>
  cylinders !== null && blocks > 3 * period * cylinders ? period * cylinders : period;

/** Whole compressions, and whole rounds of all cylinders where one fits: they need not be alike. */
function wholeRounds(blocks: number, rhythm: Rhythm | null, cylinders: number | null): number {
  if (!rhythm) return blocks;
  const round = rhythm.period * (cylinders ?? 1);
  const unit = blocks >= round ? round : rhythm.period;
  return Math.floor(blocks / unit) * unit;
}

/**
 * From where to where the level is kept: what leaves it at the end is an engine that fires, what has not reached it
 * at the beginning one that gathers speed. Neither takes more than its share.
 */
function settledPart(values: Float32Array, level: number, distance: number): { from: number; to: number } {
  const keeps = (at: number): boolean => Math.abs(values[at]! - level) <= distance;
  const leastTo = Math.ceil(values.length * (1 - MAX_LEFT_OUT.end));
  let to = values.length;
  while (to > leastTo && !keeps(to - 1)) to--;
  const mostFrom = Math.floor(to * MAX_LEFT_OUT.start);
  let from = to - 1;
  while (from > 0 && (from > mostFrom || keeps(from - 1))) from--;
  return { from, to };
}
