/**
 * Takes a recording apart: segments, readings, compressions, ripple, and what is wrong with the record itself.
 * Every claim has its confidence and its reason; what the record cannot show is left out.
 */
import { CAPTURE_FORMAT } from '../capture-format';
import type { Capture } from '../capture-format';
import { mapChannels } from '../map-channels';
import type { MappedChannel, MappingChoice } from '../map-channels';
import { secondsOf } from '../recording';
import type { Recording } from '../recording';
import { ceilingOf } from './clamp';
import type { Ceiling } from './clamp';
import { chargingOf } from './charging';
import type { Charging } from './charging';
import type { Cylinders } from './cylinders';
import { enginePulses } from './engine-pulses';
import type { EnginePulses } from './engine-pulses';
import { fieldOf } from './field';
import type { Field } from './field';
import { findCranks } from './find-cranks';
import type { Blocks } from './find-charging';
import { findKeyOn } from './key-on';
import { findingsOf } from './findings';
import { inrushOf } from './inrush';
import { outcomeOf } from './outcome';
import type { Outcome } from './outcome';
import { readingsOf } from './readings';
import { coupled, rippleOf } from './ripple';
import type { Ripple } from './ripple';
import { segmentsOf } from './segments';
import type { Attempt } from './segments';
import { signalOf } from './signal';
import type { Signal } from './signal';
import { slopeOf } from './slope';
import type { Slope } from './slope';
import { steadyOf } from './steady';
import type { Steady } from './steady';
import { deviationOf, medianOf } from '../signal/stretch';

export interface TakeApartOptions extends MappingChoice {
  /** Cylinders of the engine; null or absent where nobody said: then no speed is claimed. */
  readonly cylinders?: number | null | undefined;
}

/** The level before anything happens. */
export interface Rest extends Blocks {
  readonly volts: number;
}

/** All that was worked out, for the stages that tell it. */
export interface Apart {
  readonly recording: Recording;
  readonly mapped: readonly MappedChannel[];
  readonly signal: Signal;
  readonly keyOn: number | null;
  readonly rest: Rest | null;
  readonly attempts: readonly Attempt[];
  /** The attempt that is read: the longest. */
  readonly main: Attempt | null;
  readonly steady: Steady | null;
  readonly ceiling: Ceiling | null;
  readonly compressionsHz: number | null;
  readonly cylinders: Cylinders | null;
  readonly slope: Slope | null;
  readonly outcome: Outcome | null;
  readonly charging: Charging | null;
  readonly ripple: Ripple | null;
  readonly field: Field | null;
  readonly groundNoiseV: number | null;
}

/** Ripple is looked for from so many samples a second on; below, humps would be taken for slower ones. */
export const RIPPLE_FROM_HZ = 4000;
/** A record without a start is charging above this level, per 12 V: no battery rests there. */
const CHARGES_ABOVE_V = 13.05;
/** A rest of fewer blocks is no level yet. */
const LEAST_REST_BLOCKS = 3;
/** At most so many seconds of charging are looked at for ripple. */
const RIPPLE_LOOKED_AT_S = 30;

/** @throws CaptureError where no channel can be the battery's volts. */
export function takeApart(recording: Recording, options: TakeApartOptions = {}): Capture {
  return told(apart(recording, options));
}

function apart(recording: Recording, options: TakeApartOptions): Apart {
  const mapped = mapChannels(recording, options);
  const signal = signalOf(recording, mapped, options.cylinders ?? null);
  const { volts, scale, samples, sampleRateHz } = signal;
  const { mean, width } = volts.envelope;
  const cranks = findCranks(volts.envelope, scale);
  const attempts = cranks.map((crank): Attempt => ({ crank, inrush: inrushOf(signal, crank) }));
  const main = attempts.reduce<Attempt | null>(
    (best, own) => (best && best.crank.to - best.crank.from >= own.crank.to - own.crank.from ? best : own),
    null,
  );
  const [first] = attempts;
  const keyOn = first ? findKeyOn(volts.envelope, first.crank.from, scale) : null;
  const charges = !first && medianOf(mean) > CHARGES_ABOVE_V * scale;
  const rest = charges ? null : restOf(mean, first ? (keyOn ?? first.crank.from) : mean.length);
  const looked = main && lookedAt(signal, main);
  const outcome =
    main &&
    outcomeOf(signal, attempts.at(-1)!.crank, looked!.steady, {
      restV: rest?.volts ?? main.crank.beforeV,
      keyOn,
    });
  const runs: Blocks | null = main
    ? outcome?.kind === 'charging'
      ? outcome.stretch
      : null
    : charges
      ? { from: 0, to: mean.length }
      : null;
  const charging = runs && chargingOf(signal, runs, main ? attempts.at(-1)!.crank.to : null);
  const stretch = charging && {
    from: charging.from * width,
    to: Math.min(samples, charging.to * width, charging.from * width + RIPPLE_LOOKED_AT_S * sampleRateHz),
  };
  const part = (values: Float32Array): Float32Array => values.subarray(stretch!.from, stretch!.to);
  const fieldAt = mapped.findIndex(({ role }) => role === 'field');
  const isPercent = fieldAt >= 0 && recording.channels[fieldAt]!.unit === '%';
  return {
    recording,
    mapped,
    signal,
    keyOn,
    rest,
    attempts,
    main,
    steady: looked?.steady ?? null,
    ceiling: looked?.ceiling ?? null,
    compressionsHz: looked?.engine?.compressionsHz ?? null,
    cylinders: looked?.engine?.cylinders ?? null,
    slope: looked && !looked.ceiling ? slopeOf(signal, main.crank.from, main.crank.to) : null,
    outcome,
    charging,
    ripple: stretch && sampleRateHz >= RIPPLE_FROM_HZ ? rippleOf(part(volts.samples), sampleRateHz) : null,
    field: signal.field && stretch ? fieldOf(part(signal.field.samples), sampleRateHz, isPercent) : null,
    groundNoiseV: signal.ground && stretch ? deviationOf(coupled(part(signal.ground.samples), sampleRateHz)) : null,
  };
}

/** Where the record begins with the start there is none. */
const restOf = (mean: Float32Array, to: number): Rest | null =>
  to < LEAST_REST_BLOCKS ? null : { from: 0, to, volts: medianOf(mean, 0, to) };

interface LookedAt {
  readonly steady: Steady | null;
  readonly ceiling: Ceiling | null;
  readonly engine: EnginePulses | null;
}

function lookedAt(signal: Signal, { crank, inrush }: Attempt): LookedAt {
  const byVolts = steadyOf(signal, crank, inrush.toBlock, false);
  const ceiling = byVolts && ceilingOf(signal, crank, byVolts);
  const useAmps = signal.amps !== null && ceiling === null;
  const steady = useAmps ? (steadyOf(signal, crank, inrush.toBlock, true) ?? byVolts) : byVolts;
  return { steady, ceiling, engine: steady && enginePulses(signal, crank, inrush.toBlock, steady, useAmps) };
}

/** From what was worked out to the document. */
function told(all: Apart): Capture {
  const { recording, signal, main, ripple, charging } = all;
  const whole = main ? null : charging ? 'charging' : 'rest';
  return {
    format: CAPTURE_FORMAT,
    sampleRateHz: recording.sampleRateHz,
    samples: recording.samples,
    seconds: secondsOf(recording),
    channels: all.mapped.map(({ name, role, scale, column, origin }) => ({
      name,
      quantity: role === 'amps' ? ('amps' as const) : ('volts' as const),
      scale,
      column,
      role,
      origin,
    })),
    segments: segmentsOf(signal, { keyOn: all.keyOn, attempts: all.attempts, outcome: all.outcome, whole }),
    readings: readingsOf(all),
    findings: findingsOf(all),
    cylinders: all.cylinders?.cylinders ?? [],
    crankingRpm:
      all.compressionsHz !== null && signal.cylinders !== null ? (120 * all.compressionsHz) / signal.cylinders : null,
    ripple: ripple && {
      peakToPeakV: ripple.peakToPeakV,
      rmsV: ripple.rmsV,
      humpHz: ripple.humpHz,
      humpsMissing: ripple.humpsMissing,
      regularity: ripple.regularity,
    },
    compressionsHz: all.compressionsHz,
    resistance: all.slope,
    chargingAmps: charging?.amps ?? null,
    field: all.field,
    groundNoiseV: all.groundNoiseV,
    frequencies: (ripple?.lines ?? []).map(({ hz, rms }) => ({ hz, rmsV: rms })),
    gaps: recording.gaps.slice(0, 100),
  };
}
