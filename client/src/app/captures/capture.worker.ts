/// <reference lib="webworker" />
/** Reads, takes apart and draws one recording, away from the page. */
import {
  CaptureError,
  MAX_BYTES,
  RecordingReader,
  coupled,
  drawn,
  outlineOf,
  pyramidOf,
  analyzeRecording,
} from '@tetrad/core/capture';
import type { Capture, ChannelRole, Pyramid, Recording } from '@tetrad/core/capture';
import type { Between, Drawn, FromWorker, Measured, ToWorker, Understanding } from './worker-messages';

/** Bytes taken from a file at once, so that progress is told and a cancel is heard. */
const PIECE = 1 << 22;
/** Stretches of the small picture. */
const OUTLINE = 400;

interface Channel {
  readonly role: ChannelRole;
  readonly name: string;
  readonly pyramid: Pyramid;
}

let recording: Recording | null = null;
let channels: readonly Channel[] = [];
let ripple: Pyramid | null = null;

const say = (message: FromWorker, transfer: Transferable[] = []): void => postMessage(message, transfer);

addEventListener('message', ({ data }: MessageEvent<ToWorker>) => {
  void answer(data).catch((error: unknown) => {
    const code = error instanceof CaptureError ? error.fault.code : 'fault';
    say({ kind: 'failed', says: error instanceof Error ? error.message : String(error), code });
  });
});

async function answer(message: ToWorker): Promise<void> {
  switch (message.kind) {
    case 'open':
      recording = await read(message.source, message.as);
      return understand(message.as);
    case 'understand':
      return understand(message.as);
    case 'view':
      return view(message);
    case 'measure':
      return say({ kind: 'measure', request: message.request, measured: measure(message.fromS, message.toS) });
    default:
      throw new Error(`unknown message ${JSON.stringify(message satisfies never)}`);
  }
}

async function read(source: Blob | string, { wavScale }: Understanding): Promise<Recording> {
  const reader = new RecordingReader({ wavScale });
  if (typeof source === 'string') {
    const response = await fetch(source);
    if (!response.ok || !response.body) throw new Error(`The file could not be fetched (${response.status}).`);
    const whole = Number(response.headers.get('content-length') ?? 0);
    let got = 0;
    const stream = response.body.getReader();
    for (let piece = await stream.read(); !piece.done; piece = await stream.read()) {
      reader.push(piece.value);
      got += piece.value.length;
      say({ kind: 'progress', share: whole > 0 ? got / whole : null });
    }
  } else {
    if (source.size > MAX_BYTES) throw new CaptureError({ code: 'too-large', bytes: source.size, most: MAX_BYTES });
    for (let at = 0; at < source.size; at += PIECE) {
      reader.push(new Uint8Array(await source.slice(at, at + PIECE).arrayBuffer()));
      say({ kind: 'progress', share: Math.min(1, (at + PIECE) / source.size) });
    }
  }
  say({ kind: 'progress', share: null });
  return reader.finish();
}

function understand({ cylinders, roles, ampsPerVolt }: Understanding): void {
  if (!recording) return;
  const found = analyzeRecording(recording, { cylinders, roles, ...(ampsPerVolt !== null && { ampsPerVolt }) });
  channels = found.channels.flatMap(({ role = 'unused', name, scale }, at) => {
    if (role === 'unused') return [];
    const { samples } = recording!.channels[at]!;
    return { role, name, pyramid: pyramidOf(scale === 1 ? samples : samples.map((value) => value * scale)) };
  });
  ripple = null;
  say({ kind: 'opened', capture: withOutline(found) });
}

const pyramidFor = (role: ChannelRole): Pyramid | null =>
  channels.find((channel) => channel.role === role)?.pyramid ?? null;

function withOutline(found: Capture): Capture {
  const amps = pyramidFor('amps');
  const outline = { volts: outlineOf(pyramidFor('volts')!, OUTLINE), ...(amps && { amps: outlineOf(amps, OUTLINE) }) };
  return { ...found, outline };
}

function view({ request, fromS, toS, columns, coupled: isCoupled }: Extract<ToWorker, { kind: 'view' }>): void {
  if (!recording) return;
  const { sampleRateHz } = recording;
  const volts = pyramidFor('volts');
  if (isCoupled && volts) ripple ??= pyramidOf(coupled(volts.samples, sampleRateHz));
  const seen = isCoupled && ripple ? [{ role: 'volts' as const, name: 'Ripple', pyramid: ripple }] : channels;
  const out = seen.map(({ role, name, pyramid }): Drawn => {
    const { at, value } = drawn(pyramid, fromS * sampleRateHz, toS * sampleRateHz, columns);
    return { role, name, seconds: at.map((sample) => sample / sampleRateHz), values: value };
  });
  say(
    { kind: 'view', request, drawn: out },
    out.flatMap(({ seconds, values }) => [seconds.buffer, values.buffer]),
  );
}

function measure(a: number, b: number): Measured {
  const { sampleRateHz } = recording!;
  const [fromS, toS] = a <= b ? [a, b] : [b, a];
  const volts = pyramidFor('volts')!.samples;
  const current = pyramidFor('amps')?.samples ?? null;
  const from = Math.max(0, Math.min(volts.length - 1, Math.round(fromS * sampleRateHz)));
  const to = Math.max(from + 1, Math.min(volts.length, Math.round(toS * sampleRateHz) + 1));
  return {
    seconds: toS - fromS,
    volts: between(volts, from, to),
    amps: current && between(current, from, to),
    ohm: current && slope(volts, current, from, to),
  };
}

function between(values: Float32Array, from: number, to: number): Between {
  let [sum, low, high] = [0, Infinity, -Infinity];
  for (let at = from; at < to; at++) {
    const value = values[at]!;
    sum += value;
    low = Math.min(low, value);
    high = Math.max(high, value);
  }
  return { first: values[from]!, last: values[to - 1]!, mean: sum / (to - from), low, high };
}

/** Least squares of volts over amps. */
function slope(volts: Float32Array, amps: Float32Array, from: number, to: number): number | null {
  const [v, a] = [between(volts, from, to).mean, between(amps, from, to).mean];
  let [products, squares] = [0, 0];
  for (let at = from; at < to; at++) {
    products += (volts[at]! - v) * (amps[at]! - a);
    squares += (amps[at]! - a) ** 2;
  }
  return squares / (to - from) > 1 ? -products / squares : null;
}
