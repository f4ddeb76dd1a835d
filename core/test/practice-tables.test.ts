/**
 * The trade's tables as they stand in the books, written down a second time by hand, against what the product
 * says at and beside each figure.
 */
import {
  BALANCED,
  CAREFUL,
  QUICK_CHECK,
  convertRating,
  freezingCelsius,
  sagShare,
  stateOfCharge,
  survey,
} from '@tetrad/core';
import type { Case, CriteriaSet, Reading } from '@tetrad/core';
import { SOUND_SYSTEM, caseOf, charging, crank, lastOf, read, rest, ripple } from './cases';

const SYSTEMS = [6, 12, 24] as const;
const ofVolts = (nominalVolts: 6 | 12 | 24): Case['system'] => ({ ...SOUND_SYSTEM, nominalVolts });
/** A reading just inside and just outside a limit of 12 V, by so much. */
const beside = (limit: number, by: number, nominal: number) =>
  [((limit - by) * nominal) / 12, ((limit + by) * nominal) / 12] as const;
const gradeOf = (reading: Reading, criteria: CriteriaSet, more: Parameters<typeof caseOf>[1] = {}): string =>
  lastOf([reading], criteria, more).grade;

describe('how full by resting voltage', () => {
  it.each([
    ['flooded', [12.65, 12.45, 12.24, 12.06, 11.89]],
    ['efb', [12.7, 12.5, 12.3, 12.1, 11.9]],
    ['agm', [12.85, 12.6, 12.3, 12.0, 11.8]],
    ['tppl', [12.85, 12.6, 12.3, 12.0, 11.8]],
    ['gel', [12.85, 12.65, 12.35, 12.0, 11.8]],
  ] as const)('%s: %j V are full, three quarters, half, a quarter, flat', (chemistry, volts) => {
    expect(volts.map((value) => Math.round(100 * stateOfCharge(value, chemistry, 12)))).toEqual([100, 75, 50, 25, 0]);
  });

  it.each([
    [0, -7],
    [0.25, -15],
    [0.5, -24],
    [0.75, -35],
    [1, -57],
  ])('charged to %d its electrolyte freezes at %d °C', (charge, celsius) => {
    expect(freezingCelsius(charge)).toBe(celsius);
  });
});

describe('a rating in another standard', () => {
  it.each([
    ['EN', 570],
    ['IEC', 390],
    ['DIN', 342],
    ['CA', 750],
  ] as const)('600 A SAE are about %s %d', (standard, amps) => {
    const told = convertRating({ value: 600, standard: 'SAE' }, standard);
    expect(told).toBeCloseTo(amps, 6);
    expect(convertRating({ value: told!, standard }, 'SAE')).toBeCloseTo(600, 6);
  });
});

describe('the load test’s floor by temperature', () => {
  const FLOORS = [
    [21, 9.6],
    [16, 9.5],
    [10, 9.4],
    [4, 9.3],
    [-1, 9.1],
    [-7, 8.9],
    [-12, 8.7],
    [-18, 8.5],
  ] as const;
  const load = (volts: number): Reading => read('load-test', volts, { amps: 280, seconds: 15 });

  it.each(FLOORS)('at %d °C it is %d V, on every nominal voltage', (celsius, floor) => {
    for (const nominal of SYSTEMS) {
      const [under, over] = beside(floor, 0.02, nominal);
      const more = { celsius, system: ofVolts(nominal) };
      expect([nominal, gradeOf(load(under), BALANCED, more)]).toEqual([nominal, 'outside']);
      expect([nominal, gradeOf(load(over), BALANCED, more)]).not.toEqual([nominal, 'outside']);
    }
  });

  it('between two rows it lies between them, above the first it stays, below the last it goes on at its slope', () => {
    const at = (celsius: number): number => survey(caseOf([load(9)], { celsius })).assessments[0]!.resolved!.min;
    expect(at(13)).toBeCloseTo(9.45, 2);
    expect(at(40)).toBe(at(21));
    expect(at(-30)).toBeCloseTo(8.1, 5);
  });
});

describe('volts lost in a path', () => {
  /** What an engine of 2.0 litres with four cylinders usually asks for, A. */
  const [LEAST_USUAL, MOST_USUAL] = [75, 200];

  const PATHS = [
    ['drop-positive-post', 0.1, 0.5, 137.5],
    ['drop-negative-post', 0.1, 0.5, 137.5],
    ['drop-starter-positive', 0.5, 0.5, 137.5],
    ['drop-solenoid', 0.3, 0.5, 137.5],
    ['drop-starter-ground', 0.2, 0.5, 137.5],
    ['drop-engine-ground', 0.2, 0.5, 137.5],
    ['drop-body-ground', 0.2, 0.5, 137.5],
    ['drop-charge-positive', 0.3, 0.5, 88],
    ['drop-charge-ground', 0.1, 0.5, 88],
  ] as const;

  it.each(PATHS)(
    '%s: %d V by the strict school, %d V by the lenient, at the usual current',
    (test, strict, lenient, amps) => {
      for (const [criteria, limit] of [
        [BALANCED, strict],
        [QUICK_CHECK, lenient],
      ] as const)
        for (const nominal of SYSTEMS) {
          const [inside, outside] = beside(limit, 0.012, nominal);
          const usual = test.includes('charge') ? amps : (amps * 12) / nominal;
          const more = { system: ofVolts(nominal) };
          expect([criteria.id, nominal, gradeOf(read(test, outside, { amps: usual }), criteria, more)]).toEqual([
            criteria.id,
            nominal,
            'outside',
          ]);
          expect(gradeOf(read(test, inside, { amps: usual }), criteria, more)).not.toBe('outside');
        }
    },
  );

  it('at three quarters of the least usual current three quarters of the volts are allowed', () => {
    const amps = LEAST_USUAL * 0.75;
    expect(gradeOf(read('drop-starter-ground', 0.145, { amps }), BALANCED)).not.toBe('outside');
    expect(gradeOf(read('drop-starter-ground', 0.155, { amps }), BALANCED)).toBe('outside');
  });

  it.each([LEAST_USUAL, 140, MOST_USUAL])('anywhere in the usual range, as at %d A, the plain limit stands', (amps) => {
    expect(gradeOf(read('drop-starter-ground', 0.195, { amps }), BALANCED)).not.toBe('outside');
    expect(gradeOf(read('drop-starter-ground', 0.205, { amps }), BALANCED)).toBe('outside');
  });

  it('with more than the usual current a loss is explained by the current, in proportion to the middle of the range', () => {
    const amps = MOST_USUAL * 2;
    expect(gradeOf(read('drop-starter-ground', 0.205, { amps }), BALANCED)).toBe('near');
    expect(gradeOf(read('drop-starter-ground', 0.57, { amps }), BALANCED)).toBe('near');
    expect(gradeOf(read('drop-starter-ground', 0.6, { amps }), BALANCED)).toBe('outside');
  });
});

describe('cranking, charging and ripple by school', () => {
  const sound = rest(12.65);
  const last = (reading: Reading, criteria: CriteriaSet, celsius = 21) =>
    lastOf([sound, reading], criteria, { celsius }).grade;

  it('the quick check asks 10.0 V, the balanced school 9.6, the careful one at most 1.5 V under resting', () => {
    expect(last(crank(9.98), QUICK_CHECK)).toBe('outside');
    expect(last(crank(10.02), QUICK_CHECK)).not.toBe('outside');
    expect(last(crank(9.58), BALANCED)).toBe('outside');
    expect(last(crank(9.62), BALANCED)).not.toBe('outside');
    expect(last(crank(11.13), CAREFUL)).toBe('outside');
    expect(last(crank(11.17), CAREFUL)).not.toBe('outside');
  });

  it.each([
    ['balanced', BALANCED, 13.5, 14.8],
    ['quick', QUICK_CHECK, 13.5, 14.5],
    ['careful', CAREFUL, 13.8, 14.8],
  ] as const)('the charging window of the %s school at 25 °C', (_name, criteria, low, high) => {
    expect(last(charging(low - 0.02), criteria, 25)).toBe('outside');
    expect(last(charging(low + 0.02), criteria, 25)).not.toBe('outside');
    expect(last(charging(high - 0.02), criteria, 25)).not.toBe('outside');
    expect(last(charging(high + 0.02), criteria, 25)).toBe('outside');
  });

  it('cold raises the upper end by 10 mV per °C, heat lowers the lower one; by 0.4 V at the most', () => {
    expect(last(charging(14.88), BALANCED, 15)).not.toBe('outside');
    expect(last(charging(14.93), BALANCED, 15)).toBe('outside');
    expect(last(charging(13.42), BALANCED, 35)).not.toBe('outside');
    expect([last(charging(15.2), BALANCED, -18), last(charging(15.35), BALANCED, -30)]).toEqual(['near', 'outside']);
  });

  it('ripple: careful and balanced act above 0.2 V, the lenient school at 0.5', () => {
    expect(last(ripple(0.19), CAREFUL)).not.toBe('outside');
    expect(last(ripple(0.22), CAREFUL)).toBe('outside');
    expect(last(ripple(0.3), BALANCED)).toBe('near');
    expect(last(ripple(0.48), QUICK_CHECK)).not.toBe('outside');
    expect(last(ripple(0.52), QUICK_CHECK)).toBe('outside');
  });
});

describe('health', () => {
  it('conductance: 70 % of the rating by the balanced school, 80 % by the careful one', () => {
    expect(gradeOf(read('conductance', 388), BALANCED)).toBe('outside');
    expect(gradeOf(read('conductance', 396), BALANCED)).toBe('near');
    expect(gradeOf(read('conductance', 444), CAREFUL)).toBe('outside');
    expect(gradeOf(read('conductance', 452), CAREFUL)).not.toBe('outside');
  });

  it('internal resistance is held against 4.5 V over the rating, not against the cranking resistance', () => {
    const limit = 4.5 / 560;
    expect(gradeOf(read('internal-resistance', limit * 0.98), BALANCED)).not.toBe('outside');
    expect(gradeOf(read('internal-resistance', limit * 1.02), BALANCED)).toBe('outside');
    expect(gradeOf(read('internal-resistance', 5.9 / 560), BALANCED)).toBe('outside');
  });

  it('gravity: a spread of 0.050 is a bad cell, 0.030 is watched', () => {
    const cells = (low: number): Reading =>
      read('specific-gravity', [1.265, 1.264, low, 1.265, 1.264, 1.265], { electrolyteCelsius: 27 });
    expect(gradeOf(cells(1.213), BALANCED)).toBe('outside');
    expect(gradeOf(cells(1.23), BALANCED)).toBe('near');
    expect(gradeOf(cells(1.245), BALANCED)).toBe('within');
  });

  it.each([
    [0.1, 0.26],
    [0.15, 0.36],
    [0.2, 0.46],
    [0.3, 0.65],
    [0.5, 1],
    [1, 1.9],
    [2, 3.7],
  ])('at %d of the CCA the sag is %d of that at half of it', (fraction, share) => {
    expect(sagShare(fraction)).toBeCloseTo(share, 6);
  });
});

describe('the usual draw of a starter', () => {
  const drawOf = (cylinders: number, fuel: 'petrol' | 'diesel', celsius = 21) =>
    survey(caseOf([], { celsius, system: { ...SOUND_SYSTEM, engine: { cylinders, fuel } } })).gradedCase.draw;

  it.each([
    [4, 'petrol', 75, 200],
    [6, 'petrol', 120, 250],
    [8, 'petrol', 150, 300],
    [4, 'diesel', 250, 600],
  ] as const)('%d cylinders, %s: %d to %d A at 21 °C', (cylinders, fuel, min, max) => {
    expect(drawOf(cylinders, fuel)).toMatchObject({ min, max, source: 'typical' });
  });

  it('is about 30 % more at -18 °C', () => {
    expect(drawOf(4, 'petrol', -18).max).toBeCloseTo(260, 6);
    expect(drawOf(4, 'petrol', 35).max).toBe(200);
  });
});
