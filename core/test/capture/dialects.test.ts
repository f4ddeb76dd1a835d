/** Recorders write in many dialects; the record is the same. */
import fc from 'fast-check';
import type { Dialect } from '../../src/simulation';
import { RecordingReader, readCapture } from '../../src/capture';
import { fileOf, readText, start } from './records';
import { readPlainly } from './plain-reader';

const { record } = start({ sampleRateHz: 1000, restS: 0.4, keyOnS: 0.2, crankS: 1, afterS: 1.2 });

const CALLED = {
  known: { time: 'Time', volts: 'Battery voltage', amps: 'Clamp current' },
  short: { time: 't', volts: 'U', amps: 'I' },
  numbered: { time: 'Time', volts: 'Channel A', amps: 'Channel B' },
};

const dialects = fc
  .record({
    delimiter: fc.constantFrom(',' as const, ';' as const, '\t' as const),
    decimal: fc.constantFrom('.' as const, ',' as const),
    newline: fc.constantFrom('\n' as const, '\r\n' as const),
    byteOrderMark: fc.boolean(),
    notes: fc.constantFrom<readonly string[]>([], ['Recorder 7, bay 2'], ['# trace', '', 'Operator: M. Oyelaran']),
    units: fc.constantFrom('in-names' as const, 'row' as const),
    time: fc.constantFrom('s' as const, 'ms' as const, 'µs' as const, 'clock' as const, 'date-time' as const),
    volts: fc.constantFrom('V' as const, 'mV' as const),
    amps: fc.constantFrom<Dialect['amps']>('A', 'mA', { clampMillivoltsPerAmp: 10, unit: 'mV' }),
    quoted: fc.boolean(),
    called: fc.constantFrom(...Object.values(CALLED)),
  })
  .map((dialect): Dialect => {
    // a comma cannot part cells and decimals alike, unless cells are quoted
    const quoted = dialect.quoted || (dialect.delimiter === ',' && dialect.decimal === ',');
    return { ...dialect, names: 'row', quoted };
  });

describe('the dialects of recorders', () => {
  it('give the same samples, whatever separator, decimal sign, unit, clock or line end', () => {
    fc.assert(
      fc.property(dialects, (dialect) => {
        const read = readCapture(fileOf(record, dialect));
        expect(read.samples).toBe(record.volts.length);
        expect(read.sampleRateHz).toBeCloseTo(1000, 2);
        const [volts, amps] = read.channels;
        const clamp = typeof dialect.amps === 'object' ? dialect.amps.clampMillivoltsPerAmp / 1000 : 1;
        for (const at of [0, 500, 1000, 2000]) {
          expect(volts!.samples[at]).toBeCloseTo(record.volts[at]!, 3);
          expect(amps!.samples[at]! / clamp).toBeCloseTo(record.amps[at]!, 1);
        }
        expect([volts!.unit, amps!.unit]).toEqual(['V', typeof dialect.amps === 'object' ? 'V' : 'A']);
      }),
      { numRuns: 120 },
    );
  });

  it('are read like the plain way reads them, figure by figure', () => {
    const figures = fc.array(
      fc.tuple(
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.double({ min: -2000, max: 2000, noNaN: true }),
        fc.constantFrom(0, 1, 3, 6),
      ),
      { minLength: 12, maxLength: 60 },
    );
    fc.assert(
      fc.property(figures, fc.constantFrom('.', ','), fc.constantFrom(';', '\t'), (rows, decimal, delimiter) => {
        const written = (value: number, digits: number): string => value.toFixed(digits).replace('.', decimal);
        const lines = rows.map(([a, b, digits], at) => [written(at / 100, 4), written(a, digits), written(b, digits)]);
        const text =
          ['time', 'left', 'right'].join(delimiter) + '\n' + lines.map((cells) => cells.join(delimiter)).join('\n');
        const plain = readPlainly(text, delimiter, decimal, 1);
        const { channels } = readText(`${text}\n`);
        for (const [at, channel] of channels.entries())
          expect([...channel.samples]).toEqual(plain.columns[at + 1]!.map(Math.fround));
      }),
      { numRuns: 200 },
    );
  });

  it('come in pieces of any size without a difference', () => {
    const bytes = fileOf(record, { delimiter: ';', decimal: ',', units: 'row' });
    const whole = readCapture(bytes);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), (piece) => {
        const reader = new RecordingReader();
        for (let at = 0; at < bytes.length; at += piece) reader.push(bytes.subarray(at, at + piece));
        const read = reader.finish();
        expect(read.channels.map(({ samples }) => samples)).toEqual(whole.channels.map(({ samples }) => samples));
      }),
      { numRuns: 12 },
    );
  });

  it('tell the interval in their notes where no column tells time', () => {
    const forms = [
      'Sample interval: 1 ms',
      'Sample rate;1000 Hz',
      'Sampling rate (kHz): 1',
      'dt = 0.001 s',
      'Interval [us],1000',
    ];
    for (const note of forms) {
      const read = readCapture(fileOf(record, { time: 'interval', notes: ['A trace', note] }));
      expect(read.sampleRateHz).toBeCloseTo(1000, 6);
      expect(read.samples).toBe(record.volts.length);
    }
  });

  it('tell the scale of a clamp in notes or names', () => {
    expect(readCapture(fileOf(record, { notes: ['Clamp on 10 mV/A'] })).clampMillivoltsPerAmp).toBe(10);
    expect(readCapture(fileOf(record, { notes: ['Clamp: 100mV per A'] })).clampMillivoltsPerAmp).toBe(100);
  });

  it('without names or units are read by what the figures can be', () => {
    const read = readCapture(fileOf(record, { names: 'none', units: 'none', time: 'ms' }));
    expect(read.channels).toHaveLength(2);
    expect(read.sampleRateHz).toBeCloseTo(1000, 3);
  });
});

/** Rows of a time, volts and amps. */
const rows = (times: readonly (string | number)[], head = 'time,volts,amps'): string =>
  `${head}\n${times.map((time, at) => `${time},${12 + (at % 3) / 10},${at % 5}`).join('\n')}\n`;
const steps = (count: number, step: number): number[] => Array.from({ length: count }, (_, at) => at * step);

describe('the time of a record', () => {
  it('whose digits are too few for its rate is spread evenly over the rows that share them', () => {
    const read = readText(rows(steps(1000, 1).map((at) => (Math.floor(at / 10) / 100).toFixed(2))));
    expect(read.sampleRateHz).toBeCloseTo(1000, 0);
    expect(read.samples).toBe(1000);
  });

  it('with a pause keeps its pace, and tells the pause', () => {
    const times = [...steps(100, 0.01), ...steps(100, 0.01).map((at) => at + 1.5)];
    const read = readText(rows(times.map((time) => time.toFixed(3))));
    expect(read.sampleRateHz).toBeCloseTo(100, 3);
    expect(read.gaps).toHaveLength(1);
    expect(read.gaps[0]!.fromS).toBeCloseTo(0.99, 3);
    expect(read.gaps[0]!.toS).toBeCloseTo(1.5, 3);
    expect(read.samples).toBe(250);
  });

  it('over midnight goes on', () => {
    const clock = (at: number): string => new Date(Date.UTC(2026, 2, 2, 23, 59, 59) + at).toISOString().slice(11, 23);
    const read = readText(rows(steps(200, 10).map(clock)));
    expect(read.sampleRateHz).toBeCloseTo(100, 6);
  });

  it('in a unit that nobody tells is the one in which a start takes seconds, not hours', () => {
    for (const [step, hz] of [
      [0.001, 1000],
      [1, 1000],
      [100, 10_000],
    ] as const)
      expect(readText(rows(steps(20_000, step), 'x,volts,amps')).sampleRateHz).toBeCloseTo(hz, 3);
  });

  it('may leave cells empty: they are bridged and told', () => {
    const text = rows(steps(40, 0.01).map((time) => time.toFixed(2))).replace('0.10,12.1,0', '0.10,,0');
    const read = readText(text);
    expect(read.channels[0]!.samples[10]).toBeCloseTo((12 + 12.2) / 2, 3);
    expect(read.gaps).toHaveLength(1);
  });
});
