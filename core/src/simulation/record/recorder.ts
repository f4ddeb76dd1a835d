/** What a recorder and its clamp make of a signal: noise, steps of the converter, a ceiling, a wrong arrow. */
import type { Random } from '../../circuit/model/random';
import type { StartRecord } from './start-record';

export interface RecorderOptions {
  /** Standard deviation of the noise, V and A. */
  readonly noiseVolts?: number;
  readonly noiseAmps?: number;
  /** One step of the converter, V and A; 0 for none. */
  readonly stepVolts?: number;
  readonly stepAmps?: number;
  /** The clamp shows no more than this, A. */
  readonly ceilingAmps?: number;
  /** The arrow on the clamp points the other way. */
  readonly reversed?: boolean;
  /** The clamp was not zeroed: this much too much, A. */
  readonly zeroOffsetAmps?: number;
  /** The range of the volts channel ends here, V. */
  readonly ceilingVolts?: number;
}

const stepped = (value: number, step: number): number => (step > 0 ? Math.round(value / step) * step : value);

/** The record as the instrument stores it; the truth beside it stays what it was. */
export function recorded(record: StartRecord, random: Random, options: RecorderOptions = {}): StartRecord {
  const { noiseVolts = 0.008, noiseAmps = 1, stepVolts = 0.002, stepAmps = 0.1 } = options;
  const { ceilingAmps = Infinity, reversed = false, zeroOffsetAmps = 0, ceilingVolts = Infinity } = options;
  const volts = record.volts.map((value) =>
    stepped(Math.min(ceilingVolts, value + random.normal(0, noiseVolts)), stepVolts),
  );
  const amps = record.amps.map((value) => {
    const seen = Math.max(-ceilingAmps, Math.min(ceilingAmps, value + zeroOffsetAmps));
    return stepped((reversed ? -1 : 1) * (seen + random.normal(0, noiseAmps)), stepAmps);
  });
  return { ...record, volts, amps };
}
