import { CAPTURE_FORMAT } from '../../format/capture-format';
import type { Capture } from '../../format/capture-format';
import { secondsOf } from '../recording';
import type { CaptureAnalysis } from './capture-analysis';
import { captureFindings } from './findings';
import { captureReadings } from './readings';
import { segmentsOf } from './segments';

/** Writes an analysis as `tetrad-capture/1`: every claim with its confidence and its reason. */
export function toCapture(analysis: CaptureAnalysis): Capture {
  const { recording, signal, main, ripple, charging } = analysis;
  const whole = main ? null : charging ? 'charging' : 'rest';
  return {
    format: CAPTURE_FORMAT,
    sampleRateHz: recording.sampleRateHz,
    samples: recording.samples,
    seconds: secondsOf(recording),
    channels: analysis.mapped.map(({ name, role, scale, column, origin }) => ({
      name,
      quantity: role === 'amps' ? ('amps' as const) : ('volts' as const),
      scale,
      column,
      role,
      origin,
    })),
    segments: segmentsOf(signal, {
      keyOn: analysis.keyOn,
      attempts: analysis.attempts,
      outcome: analysis.outcome,
      whole,
    }),
    readings: captureReadings(analysis),
    findings: captureFindings(analysis),
    cylinders: analysis.cylinders?.cylinders ?? [],
    crankingRpm:
      analysis.compressionsHz !== null && signal.cylinders !== null
        ? (120 * analysis.compressionsHz) / signal.cylinders
        : null,
    ripple: ripple && {
      peakToPeakV: ripple.peakToPeakV,
      rmsV: ripple.rmsV,
      humpHz: ripple.humpHz,
      humpsMissing: ripple.humpsMissing,
      regularity: ripple.regularity,
    },
    compressionsHz: analysis.compressionsHz,
    resistance: analysis.slope,
    chargingAmps: charging?.amps ?? null,
    field: analysis.field,
    groundNoiseV: analysis.groundNoiseV,
    frequencies: (ripple?.lines ?? []).map(({ hz, rms }) => ({ hz, rmsV: rms })),
    gaps: recording.gaps.slice(0, 100),
  };
}
