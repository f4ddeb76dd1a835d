/** The fast way of taking a start apart against the plain one, and frequencies against those put in. */
import fc from 'fast-check';
import { analyzeRecording } from '../../src/capture';
import { plainApart } from './plain-apart';
import { recordingOf, start, valueOf } from './records';

/**
 * How far the two may lie apart, as shares: they choose the steady part each in its own way. A slow crank has some fifteen
 * compressions in three seconds: half a one is 0.03.
 */
const APART = { volts: 0.01, amps: 0.02, inrushAmps: 0.03, hz: 0.03, ohm: 0.1 } as const;

const apartBy = (fast: number | null, plain: number): number => Math.abs((fast ?? NaN) - plain) / plain;

it('finds in any sound start what a walk sample by sample finds', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 2 ** 31 }), fc.constantFrom(500, 1000), (seed, sampleRateHz) => {
      const { record, cylinders } = start({ seed, sampleRateHz, crankS: 3 });
      const plain = plainApart(record);
      const fast = analyzeRecording(recordingOf(record), { cylinders });
      expect({
        rest: apartBy(valueOf(fast, 'resting-voltage'), plain.restV) < APART.volts,
        inrushVolts: apartBy(valueOf(fast, 'inrush-voltage'), plain.inrushV) < APART.volts,
        inrushAmps: apartBy(valueOf(fast, 'inrush-current'), plain.inrushA) < APART.inrushAmps,
        volts: apartBy(valueOf(fast, 'cranking-voltage'), plain.sustainedV) < APART.volts,
        amps: apartBy(valueOf(fast, 'starter-draw'), plain.sustainedA) < APART.amps,
        compressions: apartBy(fast.compressionsHz ?? null, plain.compressionsHz) < APART.hz,
        resistance: apartBy(fast.resistance?.ohm ?? null, plain.ohm) < APART.ohm,
        charging: apartBy(valueOf(fast, 'charging-voltage'), plain.chargingV) < APART.volts,
      }).toEqual({
        rest: true,
        inrushVolts: true,
        inrushAmps: true,
        volts: true,
        amps: true,
        compressions: true,
        resistance: true,
        charging: true,
      });
    }),
    // of three cylinders: one late compression among ten moved the speed by 3 %
    { numRuns: 10, endOnFailure: true, examples: [[31, 500]] },
  );
}, 60_000);

it('tells the strongest frequencies of the charging volts, each with its own strength', () => {
  const sampleRateHz = 20_000;
  const [hum, whine] = [
    { hz: 400, rms: 0.05 },
    { hz: 2310, rms: 0.02 },
  ];
  const volts = Float32Array.from({ length: 3 * sampleRateHz }, (_, at) => {
    const t = (2 * Math.PI * at) / sampleRateHz;
    return 14.2 + Math.SQRT2 * (hum.rms * Math.sin(hum.hz * t) + whine.rms * Math.sin(whine.hz * t));
  });
  const channels = [{ name: 'volts', unit: 'V' as const, column: 2, samples: volts }];
  const source = { source: 'csv' as const, gaps: [], truncated: false, clampMillivoltsPerAmp: null };
  const { frequencies = [] } = analyzeRecording({ ...source, sampleRateHz, samples: volts.length, channels });
  for (const [at, { hz, rms }] of [hum, whine].entries()) {
    expect(Math.abs(frequencies[at]!.hz - hz)).toBeLessThan(4);
    expect(Math.abs(frequencies[at]!.rmsV / rms - 1)).toBeLessThan(0.1);
  }
});
