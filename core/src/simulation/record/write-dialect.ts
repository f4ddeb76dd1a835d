/** Writes a record as the many recorders of the world write theirs: text in one of their dialects, or a WAV. */
import type { StartRecord } from './start-record';

export interface Dialect {
  readonly delimiter: ',' | ';' | '\t';
  readonly decimal: '.' | ',';
  readonly newline: '\n' | '\r\n';
  readonly byteOrderMark: boolean;
  /** Lines of notes above the names. */
  readonly notes: readonly string[];
  readonly names: 'row' | 'none';
  /** Where the units stand: within the names, in a row of their own, or nowhere. */
  readonly units: 'in-names' | 'row' | 'none';
  /** How time is told; `interval` leaves the column out, the notes must then tell the interval. */
  readonly time: 's' | 'ms' | 'µs' | 'clock' | 'date-time' | 'interval';
  readonly volts: 'V' | 'mV';
  /** Amps as such, or the volts a clamp gives for them. */
  readonly amps: 'A' | 'mA' | { readonly clampMillivoltsPerAmp: number; readonly unit: 'V' | 'mV' } | 'none';
  readonly quoted: boolean;
  /** What the columns are called. */
  readonly called: { readonly time: string; readonly volts: string; readonly amps: string };
}

export const PLAIN_DIALECT: Dialect = {
  delimiter: ',',
  decimal: '.',
  newline: '\n',
  byteOrderMark: false,
  notes: [],
  names: 'row',
  units: 'none',
  time: 's',
  volts: 'V',
  amps: 'A',
  quoted: false,
  called: { time: 'seconds', volts: 'volts', amps: 'amps' },
};

/** Begin of the invented recording, for dialects with a clock. */
const BEGAN = Date.UTC(2026, 2, 2, 9, 14, 0);
const MS_PER_S = 1000;
const US_PER_S = 1_000_000;

/** @returns The lines of the file, each with its line end, so that a long record need not stand in memory as one text. */
export function* writeDialect(record: StartRecord, given: Partial<Dialect> = {}): Generator<string> {
  const dialect: Dialect = { ...PLAIN_DIALECT, ...given };
  const { delimiter, decimal, newline, called } = dialect;
  const { sampleRateHz, volts, amps } = record;
  const number = (value: number, digits: number): string => value.toFixed(digits).replace('.', decimal);
  const line = (cells: readonly string[]): string =>
    cells.map((cell) => (dialect.quoted ? `"${cell}"` : cell)).join(delimiter) + newline;
  const clamp = typeof dialect.amps === 'object' ? dialect.amps : null;
  const units = {
    time: dialect.time === 'clock' || dialect.time === 'date-time' ? '' : dialect.time,
    volts: dialect.volts,
    amps: clamp ? clamp.unit : dialect.amps,
  };
  const columns = (['time', 'volts', 'amps'] as const).filter(
    (column) => !(column === 'time' && dialect.time === 'interval') && !(column === 'amps' && dialect.amps === 'none'),
  );

  if (dialect.byteOrderMark) yield '\uFEFF';
  for (const note of dialect.notes) yield `${note}${newline}`;
  if (dialect.names === 'row')
    yield line(
      columns.map((column) =>
        dialect.units === 'in-names' && units[column] ? `${called[column]} (${units[column]})` : called[column],
      ),
    );
  if (dialect.units === 'row') yield line(columns.map((column) => (units[column] ? `(${units[column]})` : '')));

  const digits = Math.max(0, Math.ceil(Math.log10(sampleRateHz))) + 1;
  const timeCell = (index: number): string => {
    const seconds = index / sampleRateHz;
    if (dialect.time === 'ms') return number(seconds * MS_PER_S, Math.max(0, digits - 3));
    if (dialect.time === 'µs') return number(seconds * US_PER_S, Math.max(0, digits - 6));
    if (dialect.time !== 'clock' && dialect.time !== 'date-time') return number(seconds, digits);
    const whole = new Date(BEGAN + Math.floor(seconds) * MS_PER_S).toISOString();
    const fraction = (seconds - Math.floor(seconds)).toFixed(6).slice(1).replace('.', decimal);
    const clock = `${whole.slice(11, 19)}${fraction}`;
    return dialect.time === 'clock' ? clock : `${whole.slice(0, 10)} ${clock}`;
  };
  const ampsCell = (value: number): string => {
    if (!clamp) return dialect.amps === 'mA' ? number(value * 1000, 0) : number(value, 2);
    const millivolts = value * clamp.clampMillivoltsPerAmp;
    return clamp.unit === 'mV' ? number(millivolts, 2) : number(millivolts / 1000, 5);
  };
  const cell = {
    time: timeCell,
    volts: (index: number) => (dialect.volts === 'mV' ? number(volts[index]! * 1000, 1) : number(volts[index]!, 4)),
    amps: (index: number) => ampsCell(amps[index]!),
  };
  for (let index = 0; index < volts.length; index++) yield line(columns.map((column) => cell[column](index)));
}

/** The canonical header of a WAV file, bytes. */
const WAV_HEADER = 44;

/**
 * Volts and amps as two channels of a 16-bit PCM WAV.
 *
 * @param fullScale What the highest sample stands for, V and A.
 */
export function writeWav(
  record: StartRecord,
  fullScale: { readonly volts: number; readonly amps: number },
): Uint8Array {
  const { volts, amps, sampleRateHz } = record;
  const bytes = new Uint8Array(WAV_HEADER + volts.length * 4);
  const view = new DataView(bytes.buffer);
  const word = (at: number, text: string): void =>
    [...text].forEach((char, i) => view.setUint8(at + i, char.charCodeAt(0)));
  word(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  word(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 2, true);
  view.setUint32(24, sampleRateHz, true);
  view.setUint32(28, sampleRateHz * 4, true);
  view.setUint16(32, 4, true);
  view.setUint16(34, 16, true);
  word(36, 'data');
  view.setUint32(40, volts.length * 4, true);
  const whole = (value: number, full: number): number =>
    Math.max(-32768, Math.min(32767, Math.round((value / full) * 32768)));
  for (let index = 0; index < volts.length; index++) {
    view.setInt16(WAV_HEADER + index * 4, whole(volts[index]!, fullScale.volts), true);
    view.setInt16(WAV_HEADER + index * 4 + 2, whole(amps[index]!, fullScale.amps), true);
  }
  return bytes;
}
