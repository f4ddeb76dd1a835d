/** The sums of the desk: facts of the trade, and no entry in its domain that gives no figure. */
import fc from 'fast-check';
import { SUMS, entriesOf, sumAt, workOut } from '@tetrad/core/desk';
import { TEST_NAMES, TESTS } from '@tetrad/core';
import { SOUND_SYSTEM, caseOf, read } from './cases';
import type { Sum, SumInput } from '@tetrad/core/desk';

const sumOf = (id: string): Sum => SUMS.find((sum) => sum.id === id)!;
const usual = ({ inputs }: Sum): Record<string, number | string> =>
  Object.fromEntries(inputs.map(({ name, usual: value }) => [name, value]));
function values(id: string, entries: Record<string, number | string> = {}): readonly (number | null)[] {
  const sum = sumOf(id);
  const worked = workOut(sum, { ...usual(sum), ...entries });
  if (!worked.ok) throw new Error(JSON.stringify(worked.faults));
  return worked.results.map(({ value }) => (value === null ? null : Number(value.toPrecision(4))));
}

it.each<[string, string, Record<string, number | string>, readonly (number | null)[]]>([
  ['half the CCA, and 9.6 V at 21 °C', 'load-test', { cca: 600, celsius: 21 }, [300, 9.6]],
  ['8.5 V at −18 °C', 'load-test', { cca: 600, celsius: -18 }, [300, 8.5]],
  ['a fixed load of 100 A: about 11.4 V', 'load-test', { cca: 600, celsius: 21, amps: 100 }, [100, 11.42]],
  ['a load too small to pass anything', 'load-test', { cca: 600, celsius: 21, amps: 40 }, [40, null]],
  ['EN 760 is about 800 SAE', 'rating', { amps: 760, from: 'EN' }, [800, 456, 520, 1000]],
  ['9 to 10 CCA an ampere hour', 'label-check', { cca: 560, capacity: 60, liters: 1.8 }, [9.333, 311.1]],
  ['182 mV of a 1 mV clamp are 182 A, of a 10 mV clamp 18.2', 'clamp-scale', { shown: 182, scale: 10 }, [18.2]],
  ['0.32 V at 110 A is 2.9 mΩ', 'drop', { volts: 0.32, amps: 110, full: 220 }, [0.002909, 0.64, 50]],
  ['a bad whole with a good half', 'narrow-path', { whole: 0.9, half: 0.1, amps: 200 }, [0.8, 0.004, 88.89]],
  ['12.45 V is 75 % of a flooded battery', 'charge-state', { volts: 12.45, celsius: 25 }, [75, -35]],
  ['gravity is added to when warmer', 'gravity', { shown: 1.261, celsius: 32.5 }, [1.265, 12.63]],
  ['60 Ah and 120 mA last some ten days', 'drain', { draw: 120, capacity: 60, charge: 100, across: 0 }, [10.42, 0]],
  ['36 Ah at 10 A, a fifth more', 'charge-time', { capacity: 60, now: 40, wanted: 100, amps: 10 }, [43.2, 4.32]],
  ['6.5 peaks a second of four cylinders', 'cranking-speed', { peaks: 6.5, cylinders: 4 }, [195]],
  [
    'two of 12 V in series',
    'pack',
    { volts: 12, capacity: 90, cca: 800, batteries: 2, arrangement: 'series' },
    [24, 90, 800],
  ],
  [
    'two in parallel',
    'pack',
    { volts: 12, capacity: 90, cca: 800, batteries: 2, arrangement: 'parallel' },
    [12, 180, 1600],
  ],
])('%s', (_fact, id, entries, expected) => {
  expect(values(id, entries)).toEqual(expected);
});

it('a part that reads more than its whole is a contradiction, and is said to be one', () => {
  const sum = sumOf('narrow-path');
  const worked = workOut(sum, { whole: 0.1, half: 0.9, amps: 180 });
  expect(worked.ok && worked.results[0]!.note).toContain('repeat both');
  expect(worked.ok && worked.results[1]!.value).toBeNull();
});

const within = (input: SumInput): fc.Arbitrary<number | string> =>
  input.kind === 'word'
    ? fc.constantFrom(...input.words)
    : input.isWhole
      ? fc.integer({ min: input.min, max: input.max })
      : fc.double({ min: input.min, max: input.max, noNaN: true });
it.each(SUMS.map((sum) => [sum.id, sum] as const))('%s: every entry in its domain gives figures', (_id, sum) => {
  fc.assert(
    fc.property(fc.record(Object.fromEntries(sum.inputs.map((input) => [input.name, within(input)]))), (entries) => {
      const worked = workOut(sum, entries);
      expect(worked.ok && worked.results.every(({ value }) => value === null || Number.isFinite(value))).toBe(true);
    }),
  );
});

it.each(SUMS.map((sum) => [sum.id, sum] as const))('%s: beyond its domain the entry is named', (_id, sum) => {
  for (const input of sum.inputs) {
    const wrong = input.kind === 'word' ? 'nonsense' : input.max + 1;
    const worked = workOut(sum, { ...usual(sum), [input.name]: wrong });
    expect(worked.ok ? [] : Object.keys(worked.faults)).toEqual([input.name]);
    const zero = workOut(sum, { ...usual(sum), [input.name]: Number.NaN });
    expect(zero.ok).toBe(false);
  }
});

describe('beside a job', () => {
  it('every test that a clamp reads gets its amps from the clamp’s scale, cranking speed from peaks', () => {
    for (const test of TEST_NAMES) {
      const found = sumAt(test);
      if (!found) continue;
      const sum = sumOf(found.sum);
      expect(sum).toBeDefined();
      if (found.reads === undefined) continue;
      const worked = workOut(sum, usual(sum));
      expect(worked.ok && worked.results[found.reads]!.unit).toBe(TESTS[test].unit);
    }
    expect(sumAt('starter-draw')).toEqual({ sum: 'clamp-scale', reads: 0 });
    expect(sumAt('conductance')).toBeNull();
  });

  it('the job fills in what it knows, each entry in its domain; a void reading fills in nothing', () => {
    const subject = caseOf([read('resting-voltage', 12.5), { ...read('resting-voltage', 11), void: 'slip' }], {
      celsius: 5,
      system: { ...SOUND_SYSTEM, alternator: { ratedAmps: 120 } },
    });
    expect(entriesOf('charge-state', subject)).toMatchObject({ volts: 12.5, nominal: '12', celsius: 5 });
    expect(entriesOf('alternator-output', subject)).toEqual({ rated: 120 });
    expect(entriesOf('clamp-scale', subject)).toEqual({});
    for (const sum of SUMS) expect(workOut(sum, { ...usual(sum), ...entriesOf(sum.id, subject) }).ok).toBe(true);
  });
});
