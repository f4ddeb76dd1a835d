/** Writes samples beside what was found, so that one document holds all of a capture. */
import { SAMPLE_ENCODING } from '../format/capture-format';
import type { Capture } from '../format/capture-format';
import type { Recording } from './recording';

/** Bytes made to text at once: a call has only so many arguments. */
const PIECE = 0x6000;

/** Base64 of 32-bit floats, little-endian whatever the machine. */
function base64Floats(samples: Float32Array): string {
  const bytes = new Uint8Array(samples.length * 4);
  const view = new DataView(bytes.buffer);
  samples.forEach((value, at) => view.setFloat32(at * 4, value, true));
  let text = '';
  for (let at = 0; at < bytes.length; at += PIECE) text += btoa(String.fromCharCode(...bytes.subarray(at, at + PIECE)));
  return text;
}

/** The capture with the samples of all channels, scaled as found. */
export function withSamples(found: Capture, { channels, sampleRateHz }: Recording): Capture {
  const columns = channels.map(({ samples }, at) => {
    const scale = found.channels[at]!.scale;
    return base64Floats(scale === 1 ? samples : samples.map((value) => value * scale));
  });
  const told = found.channels.map((channel) => ({ ...channel, scale: 1 }));
  return { ...found, channels: told, data: { encoding: SAMPLE_ENCODING, t0S: 0, dtS: 1 / sampleRateHz, columns } };
}
