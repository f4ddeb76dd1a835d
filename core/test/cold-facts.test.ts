/** Cold changes what is normal of everything, and heat of what a battery takes: no sound vehicle is doubted for the weather. */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { SCHOOLS, SimulatedVisit, TESTING_SPREAD, judge } from '@tetrad/core';
import { temperatureFactor } from '../src/criteria/limit-temperature';
import { LABEL_CONFIRMED, caseOf, lastOf, read, rest } from './cases';

const gradeAt = (celsius: number, ...last: Parameters<typeof read>): string =>
  lastOf([rest(12.66), read(...last)], undefined, { celsius, system: LABEL_CONFIRMED }).grade;

it('every limit of the shipped sets says what temperature does to it', () => {
  for (const { id, limits } of SCHOOLS)
    for (const limit of limits)
      expect([id, limit.test, limit.temperature]).toEqual([id, limit.test, expect.anything()]);
});

it('a figure that moves is as written from 21 °C on, and its cold figure at −18 °C; never the other way in between', () => {
  const resists = { atMinus18: 1.4 };
  expect([21, 35, -18].map((celsius) => temperatureFactor(resists, celsius))).toEqual([1, 1, 1.4]);
  fc.assert(
    fc.property(fc.integer({ min: -40, max: 50 }), (celsius) => {
      const [now, colder] = [celsius, celsius - 1].map((one) => temperatureFactor(resists, one));
      expect(colder).toBeGreaterThanOrEqual(now!);
      expect(temperatureFactor({ none: 'compared' }, celsius)).toBe(1);
    }),
  );
});

describe('at −18 °C', () => {
  it.each([
    ['1.4 times the resistance is sound', 'internal-resistance', 0.0098, {}],
    ['a first dip to 7.4 V is sound', 'inrush-voltage', 7.4, { method: 'scope' }],
    ['a crank at 115 rpm is sound', 'cranking-speed', 125, {}],
    ['a regulator that aims at 15.1 V is sound', 'charging-voltage', 15.1, { rpm: 2000, loads: 'off' }],
  ] as const)('%s, and not at 21 °C', (_name, test, value, conditions) => {
    expect(gradeAt(-18, test, value, conditions)).not.toBe('outside');
    expect(gradeAt(21, test, value, conditions)).toBe('outside');
  });

  it('a tester that corrected its figure to 21 °C is taken as it is', () => {
    expect(gradeAt(-18, 'internal-resistance', 0.0098, { temperatureCorrected: true })).toBe('outside');
  });
});

it('a large battery takes more than a small one, a warm one more than a cold one; what is much soon after the start is read again', () => {
  const into = (celsius: number, amps: number, minutesAfterStart: number, capacityAh = 60): string => {
    const system = { ...LABEL_CONFIRMED, battery: { ...LABEL_CONFIRMED.battery, capacityAh } };
    const current = read('battery-current', amps, { minutesAfterStart });
    return judge(caseOf([rest(12.66), current], { celsius, system })).readings[1]!.grade;
  };
  expect([into(21, 16, 10), into(36, 16, 10), into(21, 16, 10, 110)]).toEqual(['outside', 'within', 'within']);
  expect([into(21, 16, 3), into(21, 60, 3)]).toEqual(['near', 'outside']);
});

it.each([-25, -18, 0, 21, 38])(
  'sound vehicles at %d °C with everything measured are called sound',
  (celsius) => {
    let sound = 0;
    for (let i = 0; i < 60; i++) {
      const visit = new SimulatedVisit({
        faults: ['none'],
        seed: 8_100_000 + i,
        spread: { ...TESTING_SPREAD, celsius: [celsius, 0] },
      });
      visit.doAll({ chargeFirst: visit.vehicle.charge < 0.75 });
      for (const test of ['inrush-voltage', 'battery-current', 'alternator-current'] as const) visit.do(test);
      if (judge(visit.case).decision.action === 'none-found') sound += 1;
    }
    expect(sound).toBeGreaterThanOrEqual(57);
  },
  60_000,
);
