/** A recording as it lies in memory: channels of equal length on one even time base. */

/** What a channel's figures are told in, brought to the base unit; `''` where the file does not say. */
export type ChannelUnit = 'V' | 'A' | '%' | '';

export interface RecordedChannel {
  readonly name: string;
  readonly unit: ChannelUnit;
  /** Which column or channel of the file, from 1. */
  readonly column: number;
  /** In base units (V, A, %), or as written where the unit is unknown. A gap is bridged by a straight line. */
  readonly samples: Float32Array;
}

/** A stretch without samples, s from the start. */
export interface Gap {
  readonly fromS: number;
  readonly toS: number;
}

export interface Recording {
  readonly source: 'csv' | 'wav' | 'json';
  readonly sampleRateHz: number;
  readonly samples: number;
  readonly channels: readonly RecordedChannel[];
  readonly gaps: readonly Gap[];
  /** The last line or frame was cut off. */
  readonly truncated: boolean;
  /** The clamp's scale where the file tells it, mV per A. */
  readonly clampMillivoltsPerAmp: number | null;
}

/** Seconds from the first sample to one past the last. */
export const secondsOf = ({ samples, sampleRateHz }: Pick<Recording, 'samples' | 'sampleRateHz'>): number =>
  samples / sampleRateHz;
