/** What a record shows besides its readings, and what is wrong with the record itself. */
import { ENGLISH } from '../../words/en/voice';
import { storedMessage } from '../../format/message';
import type { Message } from '../../format/message';
import type { CaptureFinding, FindingName } from '../../format/capture-format';
import { clippedOf } from './clipped';
import { sayFinding } from '../../words/en/captures';
import type { CaptureAnalysis } from './capture-analysis';
import { INRUSH_FROM_HZ, RIPPLE_FROM_HZ } from './sample-rates';

const SURE = 0.97;

type Place = { readonly fromS: number; readonly toS: number } | null;

const finding = (name: FindingName, confidence: number, said: Message, place: Place = null): CaptureFinding => ({
  finding: name,
  confidence: Math.round(confidence * 1000) / 1000,
  because: ENGLISH.say(said),
  ...storedMessage(said),
  ...(place && { fromS: place.fromS, toS: place.toS }),
});

/** What is wrong with a recording, or with what it shows, each with its confidence from 0 to 1. */
export function captureFindings(all: CaptureAnalysis): readonly CaptureFinding[] {
  return [...clampFindings(all), ...recordFindings(all), ...engineFindings(all), ...alternatorFindings(all)];
}

function clampFindings({ mapped, ceiling, main, steady }: CaptureAnalysis): CaptureFinding[] {
  const clamp = mapped.find(({ role }) => role === 'amps');
  if (!clamp) return [];
  const found: CaptureFinding[] = [];
  if (ceiling) found.push(finding('clamp-saturated', 0.95, sayFinding('capture-clamp-saturated', ceiling), ceiling));
  if (clamp.scale < 0) found.push(finding('clamp-reversed', SURE, sayFinding('capture-clamp-reversed', {})));
  if (clamp.tellsOff !== 1 && main && steady) {
    const volts = main.crank.beforeV - steady.volts;
    const said = sayFinding('capture-clamp-scale', { factor: clamp.tellsOff, amps: steady.amps ?? 0, volts });
    found.push(finding('clamp-scale', 0.8, said));
  }
  return found;
}

function recordFindings({ signal, recording, main, charging, ripple }: CaptureAnalysis): CaptureFinding[] {
  const found: CaptureFinding[] = [];
  const clipped = clippedOf(signal);
  if (clipped) found.push(finding('volts-clipped', 0.9, sayFinding('capture-volts-clipped', clipped), clipped));
  const hz = recording.sampleRateHz;
  if (main && hz < INRUSH_FROM_HZ)
    found.push(finding('rate-too-low', SURE, sayFinding('capture-rate-low-inrush', { hz })));
  else if (charging && (hz < RIPPLE_FROM_HZ || (hz < 2 * RIPPLE_FROM_HZ && (ripple?.humpHz ?? null) === null)))
    found.push(finding('rate-too-low', SURE, sayFinding('capture-rate-low-ripple', { hz })));
  if (recording.truncated) found.push(finding('truncated', 1, sayFinding('capture-truncated', {})));
  return found;
}

function engineFindings({ cylinders, outcome, main, signal, recording }: CaptureAnalysis): CaptureFinding[] {
  const found: CaptureFinding[] = [];
  if (cylinders?.weak) {
    const { index, relative, confidence } = cylinders.weak;
    const said = sayFinding('capture-weak-cylinder', { index, relative, of: cylinders.cylinders.length });
    found.push(finding('weak-cylinder', confidence, said));
  }
  const after = main && {
    fromS: main.crank.to * signal.volts.envelope.blockS,
    toS: recording.samples / recording.sampleRateHz,
  };
  if (outcome?.kind === 'did-not-start')
    found.push(finding('did-not-start', outcome.confidence, sayFinding('capture-did-not-start', {}), after));
  if (outcome?.kind === 'not-charging' && after) {
    const { mean } = signal.volts.envelope;
    const said = sayFinding('capture-not-charging', { volts: mean.at(-1)!, seconds: after.toS - after.fromS });
    found.push(finding('not-charging', outcome.confidence, said, after));
  }
  return found;
}

function alternatorFindings({ ripple, charging, signal }: CaptureAnalysis): CaptureFinding[] {
  if (!ripple || !charging || ripple.humpHz === null || ripple.humpsMissing === null) return [];
  if (ripple.diode !== 'open' && ripple.diode !== 'shorted') return [];
  const { blockS } = signal.volts.envelope;
  const figures = { missing: ripple.humpsMissing, humpHz: ripple.humpHz };
  const name = ripple.diode === 'open' ? ('diode-open' as const) : ('diode-shorted' as const);
  const said = sayFinding(`capture-${name}`, figures);
  const place = { fromS: charging.from * blockS, toS: charging.to * blockS };
  return [finding(name, ripple.agreement * Math.min(1, 0.5 + ripple.regularity / 2), said, place)];
}
