/** The fast ways against the plain ones. */
import fc from 'fast-check';
import { drawn, extremesOf, pyramidOf } from '../../src/capture';
import { envelopeOf } from '../../src/capture/signal/envelope';
import { movingMean } from '../../src/capture/signal/moving-mean';
import { autocorrelation, strongestLines } from '../../src/capture/signal/spectrum';

const values = fc
  .array(fc.double({ min: -50, max: 50, noNaN: true }), { minLength: 40, maxLength: 900 })
  .map((list) => Float32Array.from(list, (value) => Math.fround(value) + 0));

describe('a pyramid', () => {
  it('has the lowest and highest of any stretch, as a walk over all its samples has', () => {
    fc.assert(
      fc.property(
        values,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (all, a, b) => {
          const [from, to] = [a, b].map((share) => Math.floor(share * all.length)).sort((x, y) => x - y) as [
            number,
            number,
          ];
          if (from === to) return;
          const part = [...all.subarray(from, to)];
          expect(extremesOf(pyramidOf(all), from, to)).toEqual({ low: Math.min(...part), high: Math.max(...part) });
        },
      ),
      { numRuns: 400 },
    );
  });

  it('draws no peak away, however few columns there are', () => {
    fc.assert(
      fc.property(values, fc.integer({ min: 1, max: 30 }), (all, columns) => {
        const { value, at } = drawn(pyramidOf(all), 0, all.length, columns);
        expect(Math.max(...value)).toBe(Math.max(...all));
        expect(Math.min(...value)).toBe(Math.min(...all));
        expect(value.length).toBeLessThanOrEqual(Math.max(2 * columns, 1));
        expect([...at]).toEqual([...at].sort((x, y) => x - y));
      }),
      { numRuns: 200 },
    );
  });
});

describe('means and blocks', () => {
  it('a moving mean is the mean of what lies around', () => {
    fc.assert(
      fc.property(values, fc.integer({ min: 1, max: 60 }), (all, width) => {
        const means = movingMean(all, width);
        const half = Math.floor(width / 2);
        for (const at of [0, 7, all.length >> 1, all.length - 1]) {
          const around = [...all.slice(Math.max(0, at - half), at + half + 1)];
          expect(means[at]).toBeCloseTo(around.reduce((sum, value) => sum + value, 0) / around.length, 3);
        }
      }),
      { numRuns: 100 },
    );
  });

  it('an envelope’s blocks hold mean, lowest and highest of a millisecond', () => {
    const { mean, low, high, blockS } = envelopeOf(
      Float32Array.from({ length: 50 }, (_, at) => at),
      10_000,
    );
    expect([blockS, mean[1], low[1], high[1], mean.length]).toEqual([1e-3, 14.5, 10, 19, 5]);
  });
});

describe('the spectrum', () => {
  const wave = (hz: number, amplitude: number, length = 4096, rate = 10_000): Float32Array =>
    Float32Array.from({ length }, (_, at) => amplitude * Math.sin((2 * Math.PI * hz * at) / rate));

  it('names a tone’s frequency and RMS', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 4000, noNaN: true }),
        fc.double({ min: 0.01, max: 5, noNaN: true }),
        (hz, amplitude) => {
          const [line] = strongestLines(wave(hz, amplitude), 10_000, 1, 40);
          expect(Math.abs(line!.hz - hz)).toBeLessThan(1);
          expect(Math.abs(line!.rms - amplitude / Math.SQRT2) / amplitude).toBeLessThan(0.02);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('a wave is like itself after its period, and the opposite after half of it', () => {
    const alike = autocorrelation(wave(100, 1), 200);
    expect(alike[0]).toBeCloseTo(1, 6);
    expect(alike[100]).toBeGreaterThan(0.98);
    expect(alike[50]).toBeLessThan(-0.98);
  });

  it('is the same as by sums over all pairs', () => {
    fc.assert(
      fc.property(values, (all) => {
        const mean = all.reduce((sum, value) => sum + value, 0) / all.length;
        const plain = all.map((value) => value - mean);
        const whole = plain.reduce((sum, value) => sum + value * value, 0);
        if (whole < 1) return;
        const lag = 7;
        let sum = 0;
        for (let at = 0; at + lag < plain.length; at++) sum += plain[at]! * plain[at + lag]!;
        const expected = (sum / whole) * (plain.length / (plain.length - lag));
        expect(autocorrelation(plain, 20)[lag]).toBeCloseTo(expected, 3);
      }),
      { numRuns: 60 },
    );
  });
});
