/** What the stages look at: the mapped channels in base units, and their envelopes. */
import { nominalScale } from '../clamp-scale';
import type { ChannelRole } from '../../format/capture-format';
import type { MappedChannel } from '../channel-mapping';
import type { Recording } from '../recording';
import { envelopeOf } from '../signal/envelope';
import type { Envelope } from '../signal/envelope';
import { noiseOf } from '../signal/stretch';

export interface Channel {
  readonly samples: Float32Array;
  readonly envelope: Envelope;
  /** Standard deviation of what neighbouring samples differ by without cause, in the channel's unit. */
  readonly noise: number;
}

export interface Signal {
  readonly sampleRateHz: number;
  readonly samples: number;
  /** Nominal volts over 12. */
  readonly scale: number;
  /** Of the engine; null where nobody said. */
  readonly cylinders: number | null;
  readonly volts: Channel;
  /** Out of the battery; null without a clamp. */
  readonly amps: Channel | null;
  readonly field: Channel | null;
  readonly ground: Channel | null;
}

/** Samples in base units; the recording's own where nothing is to be done. */
const scaled = (samples: Float32Array, scale: number): Float32Array =>
  scale === 1 ? samples : samples.map((value) => value * scale);

/** The mapped channels in volts and amps, with the envelope of each. @param cylinders Null where nobody said. */
export function signalOf(recording: Recording, mapped: readonly MappedChannel[], cylinders: number | null): Signal {
  const { sampleRateHz, samples } = recording;
  const channelOf = (role: ChannelRole): Channel | null => {
    const at = mapped.findIndex((channel) => channel.role === role);
    if (at < 0) return null;
    const own = scaled(recording.channels[at]!.samples, mapped[at]!.scale);
    return { samples: own, envelope: envelopeOf(own, sampleRateHz), noise: noiseOf(own) };
  };
  const volts = channelOf('volts')!;
  return {
    sampleRateHz,
    samples,
    scale: nominalScale(volts.samples),
    cylinders,
    volts,
    amps: channelOf('amps'),
    field: channelOf('field'),
    ground: channelOf('ground'),
  };
}
