/** Reads a recording whatever its kind: the first bytes tell WAV, JSON and text apart, never the file's name. */
import type { Recording } from '../recording';
import { CaptureError } from './capture-fault';
import type { CaptureReader } from './capture-reader';
import { CsvReader } from './csv-reader';
import { joined } from './joined';
import { JsonReader } from './json-reader';
import { MAX_BYTES } from './read-limits';
import { WavReader } from './wav-reader';
import type { WavScale } from './wav-reader';

export interface ReadOptions {
  /** What full scale of a WAV stands for; null where nobody said. */
  readonly wavScale?: WavScale | null;
  /** Bytes of a file at most. */
  readonly mostBytes?: number;
}

/** Enough to tell the kinds apart. */
const KIND_BYTES = 16;
const SPACE = 32;
const BRACE = 123;

/** A reader for a file of any kind. */
export class RecordingReader implements CaptureReader {
  #head: Uint8Array = new Uint8Array(0);
  #reader: CaptureReader | null = null;
  #bytes = 0;

  constructor(private readonly options: ReadOptions = {}) {}

  push(chunk: Uint8Array): void {
    this.#bytes += chunk.length;
    const { mostBytes: most = MAX_BYTES } = this.options;
    if (this.#bytes > most) throw new CaptureError({ code: 'too-large', bytes: this.#bytes, most });
    if (this.#reader) return this.#reader.push(chunk);
    this.#head = joined([this.#head, chunk]);
    if (this.#head.length >= KIND_BYTES) this.#begin();
  }

  finish(): Recording {
    if (this.#bytes === 0) throw new CaptureError({ code: 'empty' });
    if (!this.#reader) this.#begin();
    return this.#reader!.finish();
  }

  #begin(): void {
    this.#reader = readerFor(this.#head, this.options);
    this.#reader.push(this.#head);
    this.#head = new Uint8Array(0);
  }
}

function readerFor(head: Uint8Array, { wavScale = null }: ReadOptions): CaptureReader {
  const text = String.fromCharCode(...head.subarray(0, 4));
  if (text === 'RIFF') return new WavReader(wavScale);
  const first = head.find((byte) => byte > SPACE && byte < 0x80);
  return first === BRACE ? new JsonReader() : new CsvReader();
}

/** A whole file that lies in memory already. @throws CaptureError */
export function readCapture(bytes: Uint8Array, options: ReadOptions = {}): Recording {
  const reader = new RecordingReader(options);
  reader.push(bytes);
  return reader.finish();
}
