/** A recorded file that was cut off or altered on its way is read as what it still holds, or refused with where and what. */
import fc from 'fast-check';
import { CaptureError, analyzeRecording, readCapture, withSamples } from '../../src/capture';
import type { Recording } from '../../src/capture';
import { bytesOf, fileOf, start } from './records';

const csv = fileOf(start({ sampleRateHz: 1000, crankS: 1, afterS: 1 }).record);
const whole = readCapture(csv);
const json = bytesOf(JSON.stringify(withSamples(analyzeRecording(whole, {}), whole)));

type Read = { readonly recording: Recording } | { readonly refused: CaptureError };
function read(bytes: Uint8Array): Read {
  try {
    return { recording: readCapture(bytes) };
  } catch (error) {
    if (error instanceof CaptureError) return { refused: error };
    throw error; // a fault of ours
  }
}
const isSound = ({ channels, samples, sampleRateHz }: Recording): boolean =>
  sampleRateHz > 0 &&
  channels.every((channel) => channel.samples.length === samples && channel.samples.every(Number.isFinite));

describe.each([
  ['a CSV', csv],
  ['a tetrad-capture', json],
])('%s', (_name, bytes) => {
  it('cut off anywhere gives what came before, or a refusal that says why', () => {
    const seen = { read: 0, refused: 0 };
    fc.assert(
      fc.property(fc.nat(), (where) => {
        const found = read(bytes.subarray(0, where % bytes.length));
        if ('refused' in found) {
          seen.refused++;
          return expect(found.refused.message.length).toBeGreaterThan(20);
        }
        seen.read++;
        expect(isSound(found.recording)).toBe(true);
        expect(found.recording.samples).toBeLessThanOrEqual(whole.samples);
        const first = found.recording.channels[0]!.samples;
        expect([...first]).toEqual([...whole.channels[0]!.samples.subarray(0, first.length)]);
      }),
      { numRuns: 60 },
    );
    // half a document is none; half a table is a shorter one
    expect(seen[bytes === json ? 'refused' : 'read']).toBeGreaterThan(20);
  });

  it('altered anywhere gives figures alone, or a refusal by its place', () => {
    let refused = 0;
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 1, max: 255 }), (where, by) => {
        const altered = bytes.slice();
        altered[where % bytes.length]! ^= by;
        const found = read(altered);
        if ('recording' in found) return expect(isSound(found.recording)).toBe(true);
        refused++;
        expect(found.refused.message.length).toBeGreaterThan(20);
      }),
      { numRuns: 100 },
    );
    expect(refused).toBeGreaterThan(5);
  });
});
