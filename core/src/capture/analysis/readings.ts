/** What of a record becomes readings of the case. */
import type { CaptureTest } from '../../format/capture-tests';
import type { ReadingConditions } from '../../format/conditions';
import type { CaptureReading } from '../../format/capture-format';
import { meanOf } from '../signal/stretch';
import type { CaptureAnalysis } from './capture-analysis';
import { INRUSH_FROM_HZ } from './sample-rates';
import { RECORDER_SHARE, uncertaintyOf } from './uncertainty';

/** From so many samples a second on a method is called scope (docs/instruments of the shop). */
const SCOPE_FROM_HZ = 1000;
/** Digits kept of a figure. */
const DIGITS = 5;
/** After a crank without a start the volts are read from here to here, s. */
const RECOVERED_S: readonly [number, number] = [0.8, 1.2];
/** A figure whose channel left its range or whose scale was corrected is told with this confidence at most. */
const DOUBTFUL = 0.45;

/** A rest shorter than this may not have settled, s. */
const SHORT_REST_S = 0.2;

interface Told {
  readonly test: CaptureTest;
  readonly value: number;
  readonly uncertainty: number;
  readonly fromS: number;
  readonly toS: number;
  readonly confidence: number;
  readonly conditions?: ReadingConditions;
}

/** In the order in which a start shows them. */
export function captureReadings(all: CaptureAnalysis): readonly CaptureReading[] {
  return [...resting(all), ...start(all), ...after(all)].map((told, at) => ({
    id: `c${at + 1}`,
    ...told,
    value: Number(told.value.toPrecision(DIGITS)),
    confidence: Math.round(told.confidence * 100) / 100,
  }));
}

function resting({ signal, rest }: CaptureAnalysis): Told[] {
  if (!rest) return [];
  const { blockS } = signal.volts.envelope;
  const [fromS, toS] = [rest.from * blockS, rest.to * blockS];
  const uncertainty = uncertaintyOf(rest.volts, RECORDER_SHARE.volts);
  const confidence = toS - fromS > SHORT_REST_S ? 0.95 : 0.7;
  return [{ test: 'resting-voltage', value: rest.volts, uncertainty, fromS, toS, confidence }];
}

function start({ signal, recording, main, steady, ceiling, compressionsHz, mapped }: CaptureAnalysis): Told[] {
  if (!main) return [];
  const { crank, inrush } = main;
  const { blockS } = signal.volts.envelope;
  const hz = recording.sampleRateHz;
  const method = hz >= SCOPE_FROM_HZ ? ('scope' as const) : hz >= 10 ? ('min-max' as const) : ('watched' as const);
  const told: Told[] = [];
  const clamp = mapped.find(({ role }) => role === 'amps');
  const clampConfidence = clamp && clamp.tellsOff !== 1 ? DOUBTFUL : 0.93;
  const inrushPlace = { fromS: crank.from * blockS, toS: inrush.toBlock * blockS };
  if (hz >= INRUSH_FROM_HZ) {
    const confidence = hz >= SCOPE_FROM_HZ ? 0.93 : 0.6;
    const conditions = { method: 'scope' as const };
    const uncertainty = uncertaintyOf(inrush.volts, RECORDER_SHARE.volts, signal.volts.noise / 2);
    told.push({ test: 'inrush-voltage', value: inrush.volts, uncertainty, ...inrushPlace, confidence, conditions });
    if (inrush.amps !== null && inrush.amps > 0 && !ceiling)
      told.push({
        test: 'inrush-current',
        value: inrush.amps,
        uncertainty: uncertaintyOf(inrush.amps, RECORDER_SHARE.amps, signal.amps!.noise / 2),
        ...inrushPlace,
        confidence: Math.min(confidence, clampConfidence),
        conditions,
      });
  }
  if (!steady) return told;
  const place = { fromS: steady.from * blockS, toS: steady.to * blockS };
  const cycles = steady.rhythm ? (steady.to - steady.from) / steady.rhythm.period : 0;
  const sure = (cycles >= 2 ? 0.95 : 0.7) * (steady.wanders > 0.2 ? 0.8 : 1);
  const sag = crank.beforeV - steady.volts;
  told.push({
    test: 'cranking-voltage',
    value: steady.volts,
    uncertainty: uncertaintyOf(steady.volts, RECORDER_SHARE.volts, (sag * steady.wanders) / 4),
    ...place,
    confidence: sure,
    conditions: { method, seconds: Math.round((steady.to - crank.from) * blockS * 10) / 10 },
  });
  if (steady.amps !== null && steady.amps > 0 && !ceiling)
    told.push({
      test: 'starter-draw',
      value: steady.amps,
      uncertainty: uncertaintyOf(steady.amps, RECORDER_SHARE.amps, (steady.amps * steady.wanders) / 4),
      ...place,
      confidence: Math.min(sure, clampConfidence),
    });
  if (compressionsHz !== null && signal.cylinders !== null) {
    const rpm = (120 * compressionsHz) / signal.cylinders;
    told.push({
      test: 'cranking-speed',
      value: rpm,
      uncertainty: uncertaintyOf(rpm, RECORDER_SHARE.speed),
      ...place,
      confidence: Math.min(sure, 0.5 + (steady.rhythm?.likeness ?? 0) / 2),
    });
  }
  if (signal.ground && steady.amps !== null && !ceiling) {
    const volts = Math.abs(meanOf(signal.ground.envelope.mean, steady.from, steady.to));
    const uncertainty = uncertaintyOf(volts, RECORDER_SHARE.volts, 0.005);
    const conditions = { amps: Math.round(steady.amps) };
    told.push({ test: 'drop-engine-ground', value: volts, uncertainty, ...place, confidence: 0.7, conditions });
  }
  return told;
}

function after({ signal, recording, attempts, outcome, charging, ripple, field }: CaptureAnalysis): Told[] {
  const { blockS, mean } = signal.volts.envelope;
  const told: Told[] = [];
  const ended = attempts.at(-1)?.crank.to ?? null;
  if (ended !== null && (outcome?.kind === 'did-not-start' || outcome?.kind === 'not-charging')) {
    const [from, to] = RECOVERED_S.map((seconds) => ended + Math.round(seconds / blockS)) as [number, number];
    if (to <= mean.length) {
      const value = meanOf(mean, from, to);
      const uncertainty = uncertaintyOf(value, RECORDER_SHARE.volts);
      const place = { fromS: from * blockS, toS: to * blockS };
      told.push({
        test: 'recovery-voltage',
        value,
        uncertainty,
        ...place,
        confidence: 0.9,
        conditions: { secondsAfter: 1 },
      });
    }
  }
  if (!charging) return told;
  const place = { fromS: charging.from * blockS, toS: charging.to * blockS };
  const minutes = ended === null ? null : Math.round(((charging.to - ended) * blockS) / 6) / 10;
  const seconds = place.toS - place.fromS;
  told.push({
    test: 'charging-voltage',
    value: charging.volts,
    uncertainty: uncertaintyOf(charging.volts, RECORDER_SHARE.volts, charging.spread),
    ...place,
    confidence: seconds > 1 ? 0.92 : 0.7,
    conditions: { ...(minutes !== null && { minutesAfterStart: minutes }) },
  });
  if (charging.laterAmps) {
    const { amps, fromS, toS } = charging.laterAmps;
    const uncertainty = uncertaintyOf(amps, RECORDER_SHARE.amps, signal.amps!.noise / 10);
    const conditions = { minutesAfterStart: 2.5 };
    told.push({ test: 'battery-current', value: amps, uncertainty, fromS, toS, confidence: 0.85, conditions });
  }
  if (ripple && (ripple.humpHz !== null || recording.sampleRateHz >= 20_000)) {
    const at = { at: 'battery' as const };
    const { peakToPeakV, rmsV } = ripple;
    const confidence = ripple.humpHz === null ? 0.6 : 0.6 + 0.35 * ripple.agreement;
    told.push({
      test: 'ripple-waveform',
      value: peakToPeakV,
      uncertainty: uncertaintyOf(peakToPeakV, 0.05, signal.volts.noise / 10),
      ...place,
      confidence,
      conditions: { ...at, ...(ripple.humpsMissing !== null && { humpsMissing: ripple.humpsMissing }) },
    });
    told.push({
      test: 'ripple-ac',
      value: rmsV,
      uncertainty: uncertaintyOf(rmsV, 0.05),
      ...place,
      confidence,
      conditions: at,
    });
  }
  if (field)
    told.push({
      test: 'field-duty',
      value: field.dutyPercent,
      uncertainty: 2,
      ...place,
      confidence: 0.8,
    });
  return told;
}
