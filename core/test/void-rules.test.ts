import { assessCase, judge } from '@tetrad/core';
import type { Reading } from '@tetrad/core';
import { SOUND_SYSTEM, caseOf, charging, crank, lastOf, read, rest, ripple } from './cases';

const cells = (...values: number[]): Reading => read('specific-gravity', values, { electrolyteCelsius: 27 });
const GOOD_CELLS = [1.262, 1.265, 1.263, 1.264, 1.262, 1.266];

describe('readings that cannot fool you: each lie is void, and says why', () => {
  it.each<[string, readonly Reading[], RegExp]>([
    ['a min-max meter misses the inrush', [read('inrush-voltage', 10.9, { method: 'min-max' })], /misses the inrush/],
    [
      'after one second the starter is not up to speed',
      [rest(12.6), read('cranking-voltage', 8.9, { method: 'watched', seconds: 1 })],
      /coming up to speed/,
    ],
    [
      'a load of 40 A passes nothing on a battery of 560 A',
      [rest(12.6), read('load-test', 12.1, { amps: 40, seconds: 15 })],
      /too small/,
    ],
    [
      'three seconds of load pass nothing',
      [rest(12.6), read('load-test', 10.4, { amps: 280, seconds: 3 })],
      /too short/,
    ],
    ['a clamp 30 A off zero', [read('starter-draw', 150, { zeroOffsetAmps: 30 })], /off zero/],
    ['a clamp on the wrong scale reads a tenth', [rest(12.6), crank(10.5), read('starter-draw', 14)], /scale/],
    ['a clamp on the wrong scale reads ten times', [rest(12.6), crank(10.8), read('starter-draw', 1500)], /scale/],
    ['an AC range that lets the DC through', [ripple(14.1)], /lets the DC through/],
    ['a module’s voltage, never compared with the post', [read('module-voltage', 12.2)], /compare them/],
    ['a drain while the modules are still awake', [read('parasitic-draw', 0.9, { minutesAsleep: 3 })], /awake/],
    ['gravity and volts that contradict each other', [rest(11.9), cells(...GOOD_CELLS)], /one of the two is wrong/],
    [
      'a part that loses more than the whole',
      [rest(12.6), read('drop-starter-positive', 0.3, { amps: 140 }), read('drop-solenoid', 0.9, { amps: 140 })],
      /than the whole/,
    ],
    [
      'a drop deeper than the battery',
      [rest(12.6), read('drop-starter-ground', 14.5, { amps: 140 })],
      /more than the battery has/,
    ],
    ['the inrush entered as cranking', [rest(12.6), crank(8.8, 'fast-peak')], /inrush/],
    [
      'a charging drop at idle current',
      [charging(14.1), read('drop-charge-positive', 0.02, { amps: 9 })],
      /says nothing/,
    ],
  ])('%s', (_name, readings, why) => {
    const found = lastOf(readings);
    expect(found.grade).toBe('void');
    expect(found.because).toMatch(why);
  });

  it.each<[string, readonly Reading[]]>([
    ['a small zero offset', [read('starter-draw', 150, { zeroOffsetAmps: 1 })]],
    ['a clamp well under its ceiling', [read('starter-draw', 150, { clampCeilingAmps: 600 })]],
    ['a scope’s inrush', [read('inrush-voltage', 9.1, { method: 'scope' })]],
    ['gravity that agrees with the volts', [rest(12.62), cells(...GOOD_CELLS)]],
    ['a drain after forty minutes', [read('parasitic-draw', 0.03, { minutesAsleep: 40 })]],
    ['a module voltage with its difference', [read('module-voltage', 12.4, { offsetVolts: 0.1 })]],
    ['a load that failed at once, short as it was', [rest(12.6), read('load-test', 7.2, { amps: 280, seconds: 4 })]],
  ])('%s is no lie', (_name, readings) => {
    expect(lastOf(readings).grade).not.toBe('void');
  });

  it('a weak alternator’s drop counts at all the current it can give', () => {
    const drop = read('drop-charge-positive', 0.05, { amps: 30 });
    const output = read('alternator-current', 32, { systemVolts: 12.2, fieldPercent: 100 });
    expect(lastOf([charging(13.9), drop]).grade).toBe('void');
    expect(assessCase(caseOf([charging(13.9), drop, output]))[1]!.grade).toBe('within');
  });

  it('a load test after a full charge counts though the battery rests low again', () => {
    const said = lastOf([rest(12.3), read('load-test', 8.2, { amps: 280, seconds: 15, chargedBefore: true })]);
    expect(said.grade).toBe('outside');
  });

  it('a void reading moves no probability', () => {
    const base = [rest(12.65), crank(10.6), charging(14.2), ripple(0.04)];
    const probability = (readings: readonly Reading[]) =>
      judge(caseOf(readings)).faults.map(({ fault, probability: p }) => `${fault} ${p}`);
    expect(probability([...base, ripple(14.1)])).toEqual(probability(base));
    expect(probability([...base, crank(8.6, 'fast-peak')])).toEqual(probability(base));
  });

  it('a CA figure taken for CCA is pointed out', () => {
    const system = {
      ...SOUND_SYSTEM,
      battery: { ...SOUND_SYSTEM.battery, rating: { value: 900, standard: 'SAE' as const }, capacityAh: 60 },
    };
    expect(judge(caseOf([rest(12.6)], { system })).cautions.join(' ')).toMatch(/CA \(at 0 °C\)/);
  });
});
