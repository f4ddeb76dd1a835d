/** The circuit model in time: a start as a recorder sees it, what its clamp makes of it, and the file it writes. */
export { DIODE_STATES, patternAt, ripplePattern } from './bridge';
export type { DiodeState } from './bridge';
export { recorded } from './recorder';
export type { RecorderOptions } from './recorder';
export { startRecord } from './start-record';
export type { StartOptions, StartRecord, StartTruth } from './start-record';
export { PLAIN_DIALECT, writeDialect, writeWav } from './write-dialect';
export type { Dialect } from './write-dialect';
