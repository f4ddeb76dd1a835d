/**
 * Captures: a recorded waveform becomes readings. `read` turns a file into a recording, `map-channels` says what
 * is what, `take-apart` finds segments, readings and what is wrong, `pyramid` makes millions of samples drawable.
 * Not part of the core's main entry: a page loads it in its worker only.
 */
export * from './capture-format';
export type { MappedChannel, MappingChoice, ScaleOrigin } from './map-channels';
export { drawn, extremesOf, outlineOf, pyramidOf } from './pyramid';
export type { Pyramid } from './pyramid';
export { CaptureError } from './read/capture-fault';
export type { CaptureFault } from './read/capture-fault';
export { RecordingReader, readCapture } from './read/read-capture';
export type { ReadOptions } from './read/read-capture';
export { MOST_BYTES, MOST_SAMPLES } from './read/read-limits';
export type { WavScale } from './read/wav-reader';
export { secondsOf } from './recording';
export type { RecordedChannel, Recording } from './recording';
export { takeApart } from './take-apart/take-apart';
export type { TakeApartOptions } from './take-apart/take-apart';
export { withSamples } from './write-capture';
export { coupled } from './take-apart/ripple';
export { mapChannels } from './map-channels';
