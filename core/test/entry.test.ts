import { figureFormat, likelySlip, parseEntry, readingWords } from '@tetrad/core';
import fc from 'fast-check';

describe('what a technician types', () => {
  it.each([
    ['12.61', 'V', 12.61],
    ['12,61', 'V', 12.61],
    ['610m', 'V', 0.61],
    ['230 mV', 'V', 0.23],
    ['0.61', 'V', 0.61],
    ['.5', 'V', 0.5],
    ['−0.04', 'V', -0.04],
    ['45 mA', 'A', 0.045],
    ['0,4 kA', 'A', 400],
    ['4.2 mΩ', 'ohm', 0.0042],
    ['70 °F', '°C', 21.11111111111111],
    ['21 C', '°C', 21],
    ['12.6V', 'V', 12.6],
  ] as const)('%s asked in %s is %d', (typed, unit, value) => {
    const entry = parseEntry(typed, unit);
    expect(entry.ok).toBe(true);
    if (entry.ok) expect(entry.value).toBeCloseTo(value, 10);
  });

  it.each([
    ['twelve', 'not-a-number'],
    ['12.6.1', 'not-a-number'],
    ['1,234.5', 'not-a-number'],
    ['12 A', 'wrong-unit'],
    ['400 mA', 'wrong-unit'],
    ['', 'empty'],
    ['   ', 'empty'],
  ])('%s is refused as %s and never becomes a number', (typed, code) => {
    const entry = parseEntry(typed, 'V');
    expect(entry.ok).toBe(false);
    if (!entry.ok) expect(entry.fault.code).toBe(code);
  });

  it('reads back every number it could have shown, with point and with comma', () => {
    fc.assert(
      fc.property(fc.integer({ min: -200_000, max: 200_000 }), (thousandths) => {
        const shown = (thousandths / 1000).toFixed(3);
        const expected = { ok: true, value: Number(shown), resolution: 0.001 };
        expect(parseEntry(shown, 'V')).toEqual(expected);
        expect(parseEntry(shown.replace('.', ','), 'V')).toEqual(expected);
        expect(parseEntry(`${thousandths}m`, 'V')).toEqual({
          ok: true,
          value: Number((thousandths * 0.001).toPrecision(12)),
          resolution: 0.001,
        });
      }),
    );
  });

  it.each([
    ['12.6', 'V', 'resting-voltage', '12.6 V'],
    ['12.60', 'V', 'resting-voltage', '12.60 V'],
    ['12.605', 'V', 'resting-voltage', '12.605 V'],
    ['185', 'A', 'starter-draw', '185 A'],
    ['185.0', 'A', 'starter-draw', '185.0 A'],
    ['45 mA', 'A', 'parasitic-draw', '45 mA'],
    ['0.23', 'V', 'drop-positive-post', '230 mV'],
    ['230.4 mV', 'V', 'drop-positive-post', '230.4 mV'],
    ['0.62', 'V', 'drop-positive-post', '0.62 V'],
    ['4.25 mΩ', 'ohm', 'internal-resistance', '4.25 mΩ'],
  ] as const)('%s of a meter stays as many digits as the meter showed', (typed, unit, test, shown) => {
    const entry = parseEntry(typed, unit);
    if (!entry.ok) throw new Error(typed);
    expect(readingWords({ test, ...entry }, figureFormat())).toBe(shown);
  });

  it('never throws and never gives a number that is not finite', () => {
    fc.assert(
      fc.property(fc.string(), (typed) => {
        const entry = parseEntry(typed, 'V');
        if (entry.ok) expect(Number.isFinite(entry.value)).toBe(true);
      }),
    );
  });

  it('guesses 12.61 behind 1261, and 0.230 behind 230', () => {
    expect(likelySlip(1261, 0, 20, 12.5)?.value).toBeCloseTo(12.61);
    expect(likelySlip(230, -16, 16, 0.1)).toMatchObject({ value: 0.23, kind: 'milli' });
    expect(likelySlip(-12.6, 0, 20, 12.5)).toMatchObject({ value: 12.6, kind: 'sign' });
  });
});

describe('a figure as text', () => {
  it('is the one that exact rounding gives, however it is come by', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.double({ noNaN: true, noDefaultInfinity: true }),
          fc.double({ min: -1000, max: 1000, noNaN: true }),
          // the middle between two figures, where a quick way goes wrong
          fc
            .tuple(fc.integer({ min: -100_000, max: 100_000 }), fc.integer({ min: 0, max: 3 }))
            .map(([n, places]) => (n + 0.5) / 10 ** places),
        ),
        fc.integer({ min: 0, max: 5 }),
        (value, decimals) => {
          const exact = value.toFixed(decimals);
          const unsigned = Number(exact) === 0 ? exact.replace('-', '') : exact;
          expect(figureFormat().plain(value, decimals)).toBe(unsigned);
        },
      ),
      { numRuns: 5000 },
    );
  });
});
