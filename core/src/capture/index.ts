/**
 * Captures: a recorded waveform becomes readings. `read` turns a file into a recording, `map-channels` says what
 * is what, `analysis` finds segments, readings and what is wrong, `pyramid` makes millions of samples drawable.
 * Not part of the core's main entry: a page loads it in its worker only.
 */
export * from '../format/capture-format';
export type { MappedChannel, MappingChoice, ScaleOrigin } from './channel-mapping';
export { drawn, extremesOf, outlineOf, pyramidOf } from './pyramid';
export type { Pyramid } from './pyramid';
export { CaptureError } from './read/capture-fault';
export type { CaptureFault } from '../format/capture-fault';
export { RecordingReader, readCapture } from './read/read-capture';
export type { ReadOptions } from './read/read-capture';
export { MAX_BYTES, MAX_SAMPLES } from './read/read-limits';
export type { WavScale } from './read/wav-reader';
export { secondsOf } from './recording';
export type { RecordedChannel, Recording } from './recording';
export { analyzeRecording } from './analysis/analyze-recording';
export type { AnalysisOptions } from './analysis/capture-analysis';
export { withSamples } from './write-capture';
export { coupled } from './analysis/ripple';
export { mapChannels } from './map-channels';
