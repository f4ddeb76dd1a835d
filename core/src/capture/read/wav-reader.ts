/**
 * Reads WAV files (RIFF WAVE: PCM of 16, 24 and 32 bits, IEEE float of 32 and 64) as recorders and sound cards
 * write them. A WAV holds shares of full scale; what full scale stands for must be told.
 */
import type { Recording } from '../recording';
import { CaptureError } from './capture-fault';
import type { CaptureReader } from './capture-reader';
import { joined } from './joined';
import { MIN_SAMPLES, MAX_CHANNELS, MAX_SAMPLES } from './read-limits';
import { SampleStore } from './sample-store';

export interface WavScale {
  /** What the highest sample of the first channel stands for, V. */
  readonly volts: number;
  /** The same of the second channel, A. */
  readonly amps?: number;
}

interface WavFormat {
  readonly isFloat: boolean;
  readonly channels: number;
  readonly sampleRateHz: number;
  readonly bits: number;
}

const PCM = 1;
const FLOAT = 3;
const EXTENSIBLE = 0xfffe;
const CHUNK_HEADER = 8;
const RIFF_HEADER = 12;
/** Headers and notes before the samples are no longer than this. */
const MAX_HEADER_BYTES = 1 << 20;
const HIGHEST = { 16: 2 ** 15, 24: 2 ** 23, 32: 2 ** 31 } as const;

export class WavReader implements CaptureReader {
  #bytes: Uint8Array = new Uint8Array(0);
  #format: WavFormat | null = null;
  /** Where the header's data begin and how many bytes it says there are; null before they are found. */
  #data: { readonly from: number; readonly bytes: number } | null = null;
  #read = 0;
  #total = 0;
  #stores: SampleStore<Float32Array>[] = [];

  constructor(private readonly scale: WavScale | null) {}

  push(chunk: Uint8Array): void {
    this.#total += chunk.length;
    this.#bytes = joined([this.#bytes, chunk]);
    if (!this.#data) this.#findData();
    if (this.#data) this.#readFrames();
  }

  finish(): Recording {
    const format = this.#format;
    if (!format || !this.#data)
      throw fault(this.#total, 'the file ends before its samples', 'the parts “fmt ” and “data” of a WAV');
    const { from, bytes } = this.#data;
    const held = this.#total - from;
    if (held < bytes)
      throw fault(
        from - 4,
        `the header tells ${bytes} bytes of samples, the file holds ${held}`,
        'a header that is true',
      );
    const samples = this.#stores[0]!.length;
    if (samples < MIN_SAMPLES) throw new CaptureError({ code: 'too-few-samples', samples, least: MIN_SAMPLES });
    const channels = this.#stores.map((store) => store.take());
    const isAbsolute = format.isFloat && channels.some((channel) => channel.some((value) => Math.abs(value) > 1.5));
    const quiet = channels.every((channel) => channel.every((value) => value === 0));
    if (quiet) throw new CaptureError({ code: 'silence' });
    if (!this.scale && !isAbsolute) throw new CaptureError({ code: 'wav-scale' });
    const fullScale = isAbsolute ? [1, 1] : [this.scale!.volts, this.scale!.amps ?? 1];
    return {
      source: 'wav',
      sampleRateHz: format.sampleRateHz,
      samples,
      channels: channels.map((channel, at) => ({
        name: `channel ${at + 1}`,
        unit: at === 0 ? 'V' : at === 1 && this.scale?.amps !== undefined ? 'A' : '',
        column: at + 1,
        samples: channel.map((value) => value * (fullScale[at] ?? 1)),
      })),
      gaps: [],
      truncated: false,
      clampMillivoltsPerAmp: null,
    };
  }

  #findData(): void {
    const bytes = this.#bytes;
    const view = new DataView(bytes.buffer);
    const word = (at: number): string => String.fromCharCode(...bytes.subarray(at, at + 4));
    if (bytes.length >= RIFF_HEADER && word(8) !== 'WAVE') throw fault(8, `“${word(8)}”`, '“WAVE”');
    let at = RIFF_HEADER;
    while (at + CHUNK_HEADER <= bytes.length) {
      const size = view.getUint32(at + 4, true);
      const body = at + CHUNK_HEADER;
      if (word(at) === 'data') {
        if (!this.#format) throw fault(at, 'samples before their format', 'the part “fmt ” first');
        this.#data = { from: body, bytes: size };
        this.#read = body;
        return;
      }
      if (size > MAX_HEADER_BYTES)
        throw fault(at + 4, `a part of ${size} bytes before the samples`, 'a header that is true');
      if (body + size > bytes.length) return;
      if (word(at) === 'fmt ') this.#format = formatOf(view, body, size);
      at = body + size + (size % 2);
    }
    if (bytes.length > MAX_HEADER_BYTES * 2) throw fault(at, 'no samples', 'the part “data”');
  }

  #readFrames(): void {
    const { channels, bits, isFloat } = this.#format!;
    const { from, bytes } = this.#data!;
    if (this.#stores.length === 0)
      this.#stores = Array.from({ length: channels }, () => new SampleStore((length) => new Float32Array(length)));
    const width = bits / 8;
    const frame = width * channels;
    const view = new DataView(this.#bytes.buffer);
    const offset = this.#total - this.#bytes.length;
    const end = Math.min(this.#total, from + bytes);
    let at = this.#read;
    for (; at + frame <= end; at += frame)
      for (let channel = 0; channel < channels; channel++)
        this.#stores[channel]!.push(sampleAt(view, at - offset + channel * width, bits, isFloat));
    if (this.#stores[0]!.length > MAX_SAMPLES) throw new CaptureError({ code: 'too-many-samples', most: MAX_SAMPLES });
    this.#read = at;
    this.#bytes = this.#bytes.slice(at - offset);
  }
}

function sampleAt(view: DataView, at: number, bits: number, isFloat: boolean): number {
  if (isFloat) return bits === 64 ? view.getFloat64(at, true) : view.getFloat32(at, true);
  if (bits === 16) return view.getInt16(at, true) / HIGHEST[16];
  if (bits === 32) return view.getInt32(at, true) / HIGHEST[32];
  return ((view.getInt8(at + 2) << 16) | view.getUint16(at, true)) / HIGHEST[24];
}

function formatOf(view: DataView, at: number, size: number): WavFormat {
  if (size < 16) throw fault(at - 4, `a format of ${size} bytes`, 'at least 16');
  const tag = view.getUint16(at, true);
  const kind = tag === EXTENSIBLE && size >= 26 ? view.getUint16(at + 24, true) : tag;
  const channels = view.getUint16(at + 2, true);
  const sampleRateHz = view.getUint32(at + 4, true);
  const bits = view.getUint16(at + 14, true);
  const isKnown = (kind === PCM && [16, 24, 32].includes(bits)) || (kind === FLOAT && [32, 64].includes(bits));
  if (!isKnown)
    throw fault(at, `samples of kind ${kind} with ${bits} bits`, 'PCM of 16, 24 or 32 bits, or float of 32 or 64');
  if (channels < 1 || channels > MAX_CHANNELS) throw fault(at + 2, `${channels} channels`, `1 to ${MAX_CHANNELS}`);
  if (sampleRateHz < 1) throw fault(at + 4, `${sampleRateHz} samples a second`, 'at least 1');
  return { isFloat: kind === FLOAT, channels, sampleRateHz, bits };
}

const fault = (byte: number, found: string, wanted: string): CaptureError =>
  new CaptureError({ code: 'wav', byte: Math.max(0, byte), found, wanted });
