/** What the readings give together, and what is asked for next. */
import { judge } from '@tetrad/core';
import type { Reading } from '@tetrad/core';
import { cannot, caseOf, charging, crank, drop, read, rest, ripple } from './cases';

const draw = (amps: number): Reading => read('starter-draw', amps);

describe('derived figures', () => {
  it('cranking volts and amps give the load test without a load tester', () => {
    const { derived } = judge(caseOf([rest(12.6), crank(10.1), draw(150)]));
    expect(derived.crankingOhms).toBeCloseTo(2.5 / 150, 5);
    // 150 A is 0.268 of the CCA: a sag of 0.587 of that at half the CCA, not of plain proportion
    expect(derived.equivalentLoadVolts).toBeCloseTo(12.6 - 2.5 / 0.589, 2);
    expect(derived.loadAmps).toBe(280);
  });

  it('the sag is split between the battery and a starter that asks too much', () => {
    const { derived } = judge(caseOf([rest(12.6), crank(9.0), draw(400)]));
    const { batteryVolts, excessDrawVolts } = derived.sag!;
    expect(batteryVolts + excessDrawVolts).toBeCloseTo(3.6, 3);
    expect(excessDrawVolts).toBeCloseTo((400 - 200) * (3.6 / 400), 3);
  });

  it('the volt budget adds up to the resting voltage', () => {
    const { budget } = judge(
      caseOf([
        rest(12.6),
        crank(10.9),
        draw(140),
        drop('drop-positive-post', 0.05),
        drop('drop-solenoid', 0.2),
        drop('drop-starter-positive', 0.4),
        drop('drop-negative-post', 0.03),
        drop('drop-starter-ground', 0.15),
      ]),
    );
    expect(budget.starting.map(({ piece }) => piece)).toEqual([
      'battery',
      'positive post',
      'positive cable',
      'solenoid',
      'ground',
      'negative post',
      'left for the starter',
    ]);
    expect(budget.starting.reduce((sum, { volts }) => sum + volts, 0)).toBeCloseTo(12.6, 2);
    expect(budget.starting.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 2);
  });

  it('a drain is days to a no-start', () => {
    const { derived } = judge(caseOf([rest(12.65), read('parasitic-draw', 0.25, { minutesAsleep: 40 })]));
    expect(derived.daysToNoStart).toBeCloseTo((60 * 0.5) / 0.25 / 24, 1);
  });

  it('a cold engine is allowed more amps', () => {
    const warm = judge(caseOf([rest(12.65)])).derived.expectedDrawAmps!;
    const cold = judge(caseOf([rest(12.65)], { celsius: -18 })).derived.expectedDrawAmps!;
    expect(cold.max / warm.max).toBeCloseTo(1.3, 2);
  });
});

describe('the next step', () => {
  const nextOf = (readings: readonly Reading[], symptoms: readonly string[] = []) =>
    judge(caseOf(readings, { symptoms })).next;
  it('carries its conditions: half the CCA for 15 s', () => {
    const readings = [rest(12.65), crank(8.4), draw(140), cannot('conductance', 'no-equipment')];
    const load = nextOf(readings, ['slow-crank']).find(({ test }) => test === 'load-test');
    expect(load?.conditions).toEqual({ amps: 280, seconds: 15 });
  });
  it('never asks for a cranking or a load test on a flat battery', () => {
    expect(nextOf([rest(12.0)], ['slow-crank']).map(({ test }) => test)).toEqual(['charge']);
  });
  it('never asks again for what was not possible', () => {
    const conductance = cannot('conductance', 'no-equipment');
    expect(nextOf([rest(12.65), crank(8.4), conductance], ['slow-crank']).map(({ test }) => test)).not.toContain(
      'conductance',
    );
  });
  it('asks for no running test of an engine that did not crank', () => {
    const tests = nextOf([rest(12.65), cannot('cranking-voltage', 'did-not-crank')], ['no-crank-silent']).map(
      ({ test }) => test,
    );
    expect(tests.filter((test) => test.startsWith('charging') || test.startsWith('ripple'))).toEqual([]);
    expect(tests.length).toBeGreaterThan(0);
  });
  it('is the belt, half a minute, before the alternator is loaded', () => {
    const tests = nextOf(
      [rest(12.65), crank(10.6), charging(14.1), charging(12.6, 'on'), ripple(0.05)],
      ['dim-at-idle'],
    ).map(({ test }) => test);
    expect(tests[0]).toBe('belt');
  });
});
