/**
 * Reads text files in one pass over their bytes: the first lines tell the dialect, the rest is read without
 * making a string of it. A fault names line and column.
 */
import type { Recording } from '../recording';
import { CaptureError } from './capture-fault';
import type { CaptureReader } from './capture-reader';
import { LINE_FEED } from './cells';
import { findDialect } from './dialect';
import { joined } from './joined';
import { SampleTable } from './sample-table';
import { markLength, textEncodingOf } from './text-encoding';

/** Bytes that are looked at before the first row is read. */
const HEAD_BYTES = 1 << 16;
const encoder = new TextEncoder();

export class CsvReader implements CaptureReader {
  #head: Uint8Array[] = [];
  #headBytes = 0;
  #table: SampleTable | null = null;
  #decoder: TextDecoder | null = null;
  #rest: Uint8Array = new Uint8Array(0);

  push(chunk: Uint8Array): void {
    if (this.#table) return this.#read(this.#inUtf8(chunk));
    this.#head.push(chunk);
    this.#headBytes += chunk.length;
    if (this.#headBytes >= HEAD_BYTES) this.#begin(false);
  }

  finish(): Recording {
    if (!this.#table) this.#begin(true);
    this.#read(this.#decoder ? encoder.encode(this.#decoder.decode()) : new Uint8Array(0));
    return this.#table!.finish(this.#rest);
  }

  /** UTF-16 is brought to UTF-8; single-byte texts differ from it only where no figure stands. */
  #inUtf8(chunk: Uint8Array): Uint8Array {
    return this.#decoder ? encoder.encode(this.#decoder.decode(chunk, { stream: true })) : chunk;
  }

  #begin(isWhole: boolean): void {
    const raw = joined(this.#head);
    this.#head = [];
    if (raw.length === 0) throw new CaptureError({ code: 'empty' });
    const encoding = textEncodingOf(raw.subarray(0, HEAD_BYTES));
    if (encoding.startsWith('utf-16')) this.#decoder = new TextDecoder(encoding);
    const bytes = this.#inUtf8(raw).subarray(this.#decoder ? 0 : markLength(encoding, raw));
    const looked = bytes.subarray(0, HEAD_BYTES);
    const lineBytes = isWhole && bytes.length <= HEAD_BYTES ? looked.length : looked.lastIndexOf(LINE_FEED) + 1;
    if (lineBytes === 0) throw new CaptureError({ code: 'no-rows', line: 1 });
    const text = new TextDecoder(encoding === 'windows-1252' ? encoding : 'utf-8').decode(
      looked.subarray(0, lineBytes),
    );
    const dialect = findDialect(text.replace(/\n$/, '').split(/\r?\n/));
    let from = 0;
    for (let line = 0; line < dialect.firstRow; line++) from = bytes.indexOf(LINE_FEED, from) + 1;
    this.#table = new SampleTable(dialect);
    this.#read(bytes.subarray(from));
  }

  #read(chunk: Uint8Array): void {
    const end = chunk.indexOf(LINE_FEED) + 1;
    if (end === 0) {
      this.#rest = joined([this.#rest, chunk]);
      return;
    }
    // only the line that two pieces share is copied
    if (this.#rest.length > 0) this.#table!.readLines(joined([this.#rest, chunk.subarray(0, end)]));
    const bytes = this.#rest.length > 0 ? chunk.subarray(end) : chunk;
    this.#rest = bytes.slice(this.#table!.readLines(bytes));
  }
}
