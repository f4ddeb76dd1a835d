/** From the times of the rows to an even time base: steps told too coarsely, pauses, uneven steps. */
import type { Gap } from '../recording';
import { CaptureError } from './capture-fault';
import { MAX_SAMPLES } from './read-limits';

/** Times of rows that still wait for a unit, and what is wrong with them so far. */
export interface RowTimes {
  /** In the file's unit, never falling. */
  readonly times: Float64Array;
  /** How many rows had the time of the row before, and the line of the first; null for none. */
  readonly repeats: number;
  readonly firstRepeatLine: number | null;
  /** To seconds; null where the file does not tell the unit. */
  readonly factor: number | null;
}

export interface EvenTime {
  readonly dtS: number;
  /** Channels brought to the even base; the same arrays where they were even already. */
  readonly channels: readonly Float32Array[];
  readonly gaps: readonly Gap[];
}

/** A start and what follows is recorded for half an hour at most; from there a unit not told is a smaller one. */
const LONGEST_S = 1800;
/** A unit not told is seconds, milliseconds or microseconds. */
const UNITS_S = [1, 1e-3, 1e-6] as const;
/** Times may be told with so few digits that rows share them; the runs must then be alike. */
const RUN_MAY_EXCEED = 2.5;
/** A step longer than this many usual ones is a pause. */
const PAUSE_STEPS = 1.5;
/** Steps looked at to find the usual one. */
const STEPS_LOOKED_AT = 20_001;

const unitFor = (span: number): number => UNITS_S.find((unit) => span * unit <= LONGEST_S) ?? UNITS_S.at(-1)!;

/** The median step, from steps spread over the record. */
function usualStep(times: Float64Array): number {
  const every = Math.max(1, Math.floor((times.length - 1) / STEPS_LOOKED_AT));
  const steps: number[] = [];
  for (let at = 1; at < times.length; at += every) steps.push(times[at]! - times[at - 1]!);
  steps.sort((a, b) => a - b);
  return steps[steps.length >> 1]!;
}

/** The step behind times that several rows share, null where the runs are too unlike to be one clock's. */
function stepBehindRuns(times: Float64Array, repeats: number): number | null {
  const distinct = times.length - repeats;
  if (distinct < 3) return null;
  const usual = times.length / distinct;
  let from = 0;
  let firstEdge = -1;
  let lastEdge = 0;
  for (let at = 1; at < times.length; at++)
    if (times[at] !== times[at - 1]) {
      if (at - from > usual * RUN_MAY_EXCEED + 1) return null;
      from = at;
      if (firstEdge < 0) firstEdge = at;
      lastEdge = at;
    }
  if (usual < PAUSE_STEPS || times.length - from > usual * RUN_MAY_EXCEED + 1) return null;
  return (times[lastEdge]! - times[firstEdge]!) / (lastEdge - firstEdge);
}

/** Every channel between the rows by straight lines, on steps of `step`. */
function resampled(times: Float64Array, channel: Float32Array, step: number, samples: number): Float32Array {
  const even = new Float32Array(samples);
  let row = 0;
  for (let at = 0; at < samples; at++) {
    const time = times[0]! + at * step;
    while (row < times.length - 2 && times[row + 1]! <= time) row++;
    const share = Math.min(1, Math.max(0, (time - times[row]!) / (times[row + 1]! - times[row]!)));
    even[at] = channel[row]! + (channel[row + 1]! - channel[row]!) * share;
  }
  return even;
}

/**
 * @throws CaptureError where time stands still, or a pause is longer than everything recorded.
 */
export function evenTime(
  { times, repeats, firstRepeatLine, factor }: RowTimes,
  channels: readonly Float32Array[],
): EvenTime {
  const rows = times.length;
  const span = times[rows - 1]! - times[0]!;
  const unit = factor ?? unitFor(span);
  if (repeats > 0) {
    const step = stepBehindRuns(times, repeats);
    if (step === null)
      throw new CaptureError({
        code: 'time-stands-still',
        line: firstRepeatLine ?? 1,
        atS: times[0]! * unit,
      });
    return { dtS: step * unit, channels, gaps: [] };
  }
  const mean = span / (rows - 1);
  let furthest = 0;
  for (let at = 0; at < rows; at++) furthest = Math.max(furthest, Math.abs(times[at]! - times[0]! - at * mean));
  if (furthest <= mean) return { dtS: mean * unit, channels, gaps: [] };

  const step = usualStep(times);
  const samples = Math.round(span / step) + 1;
  const gaps: Gap[] = [];
  let paused = 0;
  for (let at = 1; at < rows; at++) {
    const pause = times[at]! - times[at - 1]!;
    if (pause <= PAUSE_STEPS * step) continue;
    gaps.push({ fromS: (times[at - 1]! - times[0]!) * unit, toS: (times[at]! - times[0]!) * unit });
    paused += pause;
    if (pause > span / 2 && pause > rows * step) throw new CaptureError({ code: 'gap-too-long', ...gaps.at(-1)! });
  }
  if (samples > MAX_SAMPLES) throw new CaptureError({ code: 'too-many-samples', most: MAX_SAMPLES });
  // where most steps are unlike, nothing was lost: the recorder was only uneven
  const isUneven = gaps.length > rows / 4 || paused > span / 2;
  return {
    dtS: step * unit,
    channels: channels.map((channel) => resampled(times, channel, step, samples)),
    gaps: isUneven ? [] : gaps,
  };
}
