/** Simulated starts for the tests of captures, and the file a recorder would write of them. */
import { SimulatedVisit, randomOf, recorded, startRecord, writeDialect } from '../../src/simulation';
import type { Dialect, RecorderOptions, SimulationOptions, StartOptions, StartRecord } from '../../src/simulation';
import { readCapture, analyzeRecording } from '../../src/capture';
import type { Capture, Recording, AnalysisOptions } from '../../src/capture';

export interface Wanted extends StartOptions {
  readonly seed?: number;
  readonly faults?: SimulationOptions['faults'];
  readonly recorder?: RecorderOptions;
}

export function start({ seed = 3, faults = ['none'], recorder = {}, ...options }: Wanted = {}) {
  const { vehicle } = new SimulatedVisit({ faults, severity: 0.7, seed });
  const short = { restS: 0.6, keyOnS: 0.4, crankS: 2.2, afterS: 3.2, ...options };
  const record = recorded(startRecord(vehicle, short), randomOf(seed), recorder);
  return { vehicle, record, cylinders: vehicle.system.engine!.cylinders! };
}

export const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);

export const fileOf = (record: StartRecord, dialect: Partial<Dialect> = {}): Uint8Array =>
  bytesOf([...writeDialect(record, dialect)].join(''));

/** The record as if it had been read already. */
export const recordingOf = ({ volts, amps, sampleRateHz }: StartRecord): Recording => ({
  source: 'csv',
  sampleRateHz,
  samples: volts.length,
  channels: [
    { name: 'volts', unit: 'V', column: 2, samples: volts },
    { name: 'amps', unit: 'A', column: 3, samples: amps },
  ],
  gaps: [],
  truncated: false,
  clampMillivoltsPerAmp: null,
});

/** Simulated, recorded and taken apart. */
export function apart(wanted: Wanted = {}, options: AnalysisOptions = {}) {
  const { record, cylinders, vehicle } = start(wanted);
  const capture = analyzeRecording(recordingOf(record), { cylinders, ...options });
  return { capture, truth: record.truth, vehicle, cylinders };
}

export const valueOf = ({ readings }: Capture, test: string): number | null =>
  readings.find((reading) => reading.test === test)?.value ?? null;

export const findingsOf = ({ findings }: Capture): string[] => findings.map(({ finding }) => finding);

export const readText = (text: string): Recording => readCapture(bytesOf(text));
