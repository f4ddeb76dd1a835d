/** A channel as it is looked at to tell what it is: a few thousand of its samples, and where they lie. */
import type { RecordedChannel } from './recording';
import { quantilesOf } from './signal/stretch';

/** Samples looked at of every channel. */
const LOOKED_AT = 4000;
/** Quantiles taken for the lowest and the highest figure: a few odd samples count for nothing. */
const LOW = 0.002;
const HIGH = 0.998;

export interface LookedAt {
  readonly channel: RecordedChannel;
  /** The same samples of all channels, spread evenly. */
  readonly thin: Float32Array;
  readonly median: number;
  readonly high: number;
  readonly low: number;
}

/** What the figures of a channel look like, before anybody says what it is. */
export function lookAt(channel: RecordedChannel): LookedAt {
  const { samples } = channel;
  const every = Math.max(1, Math.floor(samples.length / LOOKED_AT));
  const thin = Float32Array.from({ length: Math.ceil(samples.length / every) }, (_, at) => samples[at * every]!);
  const [low, median, high] = quantilesOf(thin, [LOW, 0.5, HIGH]) as [number, number, number];
  return { channel, thin, low, median, high };
}
