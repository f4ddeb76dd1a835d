/** WAV files and our own format. */
import fc from 'fast-check';
import { writeWav } from '../../src/simulation';
import { CaptureError, readCapture, analyzeRecording, withSamples } from '../../src/capture';
import { bytesOf, findingsOf, recordingOf, start, valueOf } from './records';

const FULL = { volts: 20, amps: 1500 };
const { record, cylinders } = start({ sampleRateHz: 8000, crankS: 2, afterS: 2 });

/** A WAV of one channel by hand. */
function wav({
  kind = 1,
  bits,
  bytes,
  lie = 0,
  channels = 1,
}: {
  kind?: number;
  bits: number;
  bytes: number[];
  lie?: number;
  channels?: number;
}): Uint8Array {
  const out = new Uint8Array(44 + bytes.length);
  const view = new DataView(out.buffer);
  const word = (at: number, text: string): void =>
    [...text].forEach((char, i) => view.setUint8(at + i, char.charCodeAt(0)));
  word(0, 'RIFF');
  view.setUint32(4, out.length - 8, true);
  word(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, kind, true);
  view.setUint16(22, channels, true);
  view.setUint32(24, 1000, true);
  view.setUint16(32, (bits / 8) * channels, true);
  view.setUint16(34, bits, true);
  word(36, 'data');
  view.setUint32(40, bytes.length + lie, true);
  out.set(bytes, 44);
  return out;
}
const bytesIn = (
  count: number,
  width: number,
  write: (view: DataView, at: number, value: number) => void,
): number[] => {
  const view = new DataView(new ArrayBuffer(count * width));
  for (let at = 0; at < count; at++) write(view, at * width, at / count);
  return [...new Uint8Array(view.buffer)];
};

describe('a WAV', () => {
  it('of a start is taken apart like its CSV once full scale is told', () => {
    const read = readCapture(writeWav(record, FULL), { wavScale: FULL });
    const capture = analyzeRecording(read, { cylinders });
    const plain = analyzeRecording(recordingOf(record), { cylinders });
    for (const test of ['resting-voltage', 'cranking-voltage', 'starter-draw', 'cranking-speed'])
      expect(valueOf(capture, test)! / valueOf(plain, test)!).toBeCloseTo(1, 2);
  });

  it('of 16, 24 and 32 bits and of floats holds the same shares', () => {
    const forms = [
      wav({ bits: 16, bytes: bytesIn(40, 2, (view, at, value) => view.setInt16(at, value * 2 ** 15, true)) }),
      wav({
        bits: 24,
        bytes: bytesIn(40, 3, (view, at, value) => {
          const whole = Math.round(value * 2 ** 23);
          view.setUint16(at, whole & 0xffff, true);
          view.setInt8(at + 2, whole >> 16);
        }),
      }),
      wav({ bits: 32, bytes: bytesIn(40, 4, (view, at, value) => view.setInt32(at, value * 2 ** 31, true)) }),
      wav({ kind: 3, bits: 32, bytes: bytesIn(40, 4, (view, at, value) => view.setFloat32(at, value, true)) }),
      wav({ kind: 3, bits: 64, bytes: bytesIn(40, 8, (view, at, value) => view.setFloat64(at, value, true)) }),
    ];
    for (const bytes of forms) {
      const { samples } = readCapture(bytes, { wavScale: { volts: 20 } }).channels[0]!;
      for (const at of [0, 10, 39]) expect(samples[at]).toBeCloseTo((20 * at) / 40, 2);
    }
  });

  it('without a scale, with a lying header, of an unknown kind or silent is refused by name', () => {
    const good = bytesIn(40, 2, (view, at, value) => view.setInt16(at, value * 2 ** 15, true));
    expect(() => readCapture(wav({ bits: 16, bytes: good }))).toThrow(/full scale/);
    expect(() => readCapture(wav({ bits: 16, bytes: good, lie: 1_000_000 }), { wavScale: FULL })).toThrow(
      /1000080 bytes.*holds 80/,
    );
    expect(() => readCapture(wav({ kind: 7, bits: 8, bytes: good }), { wavScale: FULL })).toThrow(
      /kind 7 with 8 bits.*PCM/,
    );
    expect(() => readCapture(wav({ bits: 16, bytes: good, channels: 99 }), { wavScale: FULL })).toThrow(/99 channels/);
    expect(() => readCapture(wav({ bits: 16, bytes: good.map(() => 0) }), { wavScale: FULL })).toThrow(/silence/);
    expect(() => readCapture(wav({ bits: 16, bytes: good }).subarray(0, 30), { wavScale: FULL })).toThrow(CaptureError);
  });

  it('is read or refused whatever a byte of its header says', () => {
    const bytes = writeWav(record, FULL).subarray(0, 4000);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 43 }), fc.integer({ min: 0, max: 255 }), (at, value) => {
        const changed = bytes.slice();
        changed[at] = value;
        try {
          expect(readCapture(changed, { wavScale: FULL }).samples).toBeGreaterThan(0);
        } catch (error) {
          expect(error).toBeInstanceOf(CaptureError);
        }
      }),
      { numRuns: 300 },
    );
  });
});

describe('tetrad-capture/1', () => {
  const capture = analyzeRecording(recordingOf(record), { cylinders });
  const document = withSamples(capture, recordingOf(record));

  it('written with its samples and read again gives the same findings and readings', () => {
    const again = analyzeRecording(readCapture(bytesOf(JSON.stringify(document))), { cylinders });
    expect(findingsOf(again)).toEqual(findingsOf(capture));
    expect(again.readings.map(({ test, value }) => [test, value])).toEqual(
      capture.readings.map(({ test, value }) => [test, value]),
    );
  });

  it('that does not fit is refused by its path', () => {
    const read = (change: (data: NonNullable<typeof document.data>) => unknown): (() => unknown) => {
      const data = { ...document.data!, ...(change(document.data!) as object) };
      return () => readCapture(bytesOf(JSON.stringify({ ...document, data })));
    };
    expect(read(() => ({ dtS: 0 }))).toThrow(/\$\.data\.dtS/);
    expect(read(() => ({ encoding: 'text' }))).toThrow(/\$\.data\.encoding/);
    expect(read(({ columns }) => ({ columns: [columns[0], columns[1]!.slice(0, 400)] }))).toThrow(
      /\$\.data\.columns\[1\]: 75 samples/,
    );
    expect(read(({ columns }) => ({ columns: [columns[0], '***'] }))).toThrow(/not base64/);
    expect(() => readCapture(bytesOf('{"format":"tetrad-case/1"}'))).toThrow(/\$\.format: "tetrad-case\/1"/);
    expect(() => readCapture(bytesOf('{"format":'))).toThrow(/no JSON document/);
    expect(() => readCapture(bytesOf(JSON.stringify(capture)))).toThrow(/\$\.data: nothing/);
  });
});
