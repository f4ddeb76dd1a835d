/** Reads `tetrad-capture/1`, our own format, with its samples beside it. */
import { brokenJson } from '../../format/broken-json';
import { show } from '../../format/shape';
import { CAPTURE_FORMAT, SAMPLE_ENCODING } from '../../format/capture-format';
import type { Recording } from '../recording';
import { CaptureError } from './capture-fault';
import type { CaptureReader } from './capture-reader';
import { MIN_SAMPLES, MAX_CHANNELS, MAX_SAMPLES } from './read-limits';

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

export class JsonReader implements CaptureReader {
  readonly #decoder = new TextDecoder();
  #text = '';

  push(chunk: Uint8Array): void {
    this.#text += this.#decoder.decode(chunk, { stream: true });
  }

  finish(): Recording {
    const text = this.#text + this.#decoder.decode();
    this.#text = '';
    let document: unknown;
    try {
      document = JSON.parse(text);
    } catch {
      throw fault('$', `no JSON document: ${brokenJson(text)}`, 'a JSON capture');
    }
    if (!isObject(document) || document['format'] !== CAPTURE_FORMAT)
      throw fault('$.format', show(isObject(document) ? document['format'] : document), `"${CAPTURE_FORMAT}"`);
    const data = document['data'];
    if (!isObject(data)) throw fault('$.data', show(data), 'the samples, which this capture was written without');
    if (data['encoding'] !== SAMPLE_ENCODING)
      throw fault('$.data.encoding', show(data['encoding']), `"${SAMPLE_ENCODING}"`);
    const dtS = data['dtS'];
    if (typeof dtS !== 'number' || !(dtS > 0 && Number.isFinite(dtS)))
      throw fault('$.data.dtS', show(dtS), 'seconds between samples, above 0');
    const columns = data['columns'];
    if (!Array.isArray(columns) || columns.length < 1 || columns.length > MAX_CHANNELS)
      throw fault('$.data.columns', show(columns), `a list of 1 to ${MAX_CHANNELS} columns`);
    const told = Array.isArray(document['channels']) ? document['channels'] : [];
    const samples = columns.map((column, at) => floatsOf(column, `$.data.columns[${at}]`));
    const length = samples[0]!.length;
    const uneven = samples.findIndex((column) => column.length !== length);
    if (uneven >= 0)
      throw fault(`$.data.columns[${uneven}]`, `${samples[uneven]!.length} samples`, `${length} as in the first`);
    if (length < MIN_SAMPLES) throw new CaptureError({ code: 'too-few-samples', samples: length, least: MIN_SAMPLES });
    if (length > MAX_SAMPLES) throw new CaptureError({ code: 'too-many-samples', most: MAX_SAMPLES });
    return {
      source: 'json',
      sampleRateHz: 1 / dtS,
      samples: length,
      channels: samples.map((column, at) => {
        const channel: unknown = told[at];
        const quantity = isObject(channel) ? channel['quantity'] : undefined;
        return {
          name: isObject(channel) && typeof channel['name'] === 'string' ? channel['name'] : `channel ${at + 1}`,
          unit: quantity === 'volts' ? 'V' : quantity === 'amps' ? 'A' : '',
          column: at + 1,
          samples: column,
        };
      }),
      gaps: [],
      truncated: false,
      clampMillivoltsPerAmp: null,
    };
  }
}

/** Base64 of little-endian 32-bit floats. */
function floatsOf(column: unknown, path: string): Float32Array {
  if (typeof column !== 'string') throw fault(path, show(column), 'base64 text');
  let binary: string;
  try {
    binary = atob(column);
  } catch {
    throw fault(path, 'text that is not base64', 'base64 text');
  }
  if (binary.length % 4 !== 0) throw fault(path, `${binary.length} bytes`, 'four bytes a sample');
  const view = new DataView(new ArrayBuffer(binary.length));
  for (let at = 0; at < binary.length; at++) view.setUint8(at, binary.charCodeAt(at));
  const floats = new Float32Array(binary.length / 4);
  for (let at = 0; at < floats.length; at++) {
    floats[at] = view.getFloat32(at * 4, true);
    if (!Number.isFinite(floats[at]!)) throw fault(`${path}[${at}]`, String(floats[at]), 'a finite number');
  }
  return floats;
}

const fault = (path: string, found: string, wanted: string): CaptureError =>
  new CaptureError({ code: 'json', path, found, wanted });
