/**
 * Analyzes a recording: segments, steady crank, compressions, charging, ripple, and what is wrong with the record
 * itself. What the record cannot show is left out.
 */
import { mapChannels } from '../map-channels';
import type { Recording } from '../recording';
import { deviationOf, medianOf } from '../signal/stretch';
import type { AnalysisOptions, CaptureAnalysis, Rest } from './capture-analysis';
import { chargingOf } from './charging';
import { ceilingOf } from './clamp';
import type { Ceiling } from './clamp';
import { enginePulses } from './engine-pulses';
import type { EnginePulses } from './engine-pulses';
import { fieldOf } from './field';
import type { Blocks } from './find-charging';
import { findCranks } from './find-cranks';
import { inrushOf } from './inrush';
import { findKeyOn } from './key-on';
import { outcomeOf } from './outcome';
import { coupled } from './ripple';
import { RIPPLE_FROM_HZ } from './sample-rates';
import type { Attempt } from './segments';
import { signalOf } from './signal';
import type { Signal } from './signal';
import { rippleOfCharging } from './humps-counted';
import { slopeOf } from './slope';
import { steadyOf } from './steady';
import type { Steady } from './steady';

/** A record without a start is charging above this level, per 12 V: no battery rests there. */
const CHARGES_ABOVE_V = 13.05;
/** A rest of fewer blocks is no level yet. */
const MIN_REST_BLOCKS = 3;
/** At most so many seconds of charging are looked at for ripple. */
const RIPPLE_LOOKED_AT_S = 30;

/** @throws CaptureError where no channel can be the battery's volts. */
export function analyzeCapture(recording: Recording, options: AnalysisOptions): CaptureAnalysis {
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
    ripple:
      stretch && sampleRateHz >= RIPPLE_FROM_HZ
        ? rippleOfCharging(part(volts.samples), signal.amps && part(signal.amps.samples), sampleRateHz)
        : null,
    field: signal.field && stretch ? fieldOf(part(signal.field.samples), sampleRateHz, isPercent) : null,
    groundNoiseV: signal.ground && stretch ? deviationOf(coupled(part(signal.ground.samples), sampleRateHz)) : null,
  };
}

/** Where the record begins with the start there is none. */
const restOf = (mean: Float32Array, to: number): Rest | null =>
  to < MIN_REST_BLOCKS ? null : { from: 0, to, volts: medianOf(mean, 0, to) };

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
