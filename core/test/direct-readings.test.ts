/** A valid reading straight across a fault, twice its limit or more: nine in ten, whatever else reads well, and asked after there. */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { judge, survey } from '@tetrad/core';
import type { Reading, TestName } from '@tetrad/core';
import { isPathTest } from '../src/circuit/paths';
import { timesItsLimit } from '../src/evidence/limit-of';
import { failuresOf } from '../src/judge/derive/failures';
import { derive } from '../src/judge/derive/derive';
import { TESTS, TEST_NAMES } from '../src/trade/tables';
import { SOUND_LOOKS, caseOf, read, soundReadings } from './cases';

/** Every test that lies straight across a fault. */
const DIRECT = TEST_NAMES.filter((test) => TESTS[test].direct !== undefined);

/** What a reading of it carries to be valid. */
const CONDITIONS: Partial<Record<TestName, Reading['conditions']>> = {
  'load-test': { amps: 280, seconds: 15, chargedBefore: true },
  'hold-charge': { hours: 12, startVolts: 12.66 },
  'ripple-ac': { rpm: 2000, loads: 'on', at: 'battery' },
  'ripple-waveform': { humpsMissing: 1, at: 'battery' },
  'parasitic-draw': { minutesAsleep: 45 },
  'fuse-drop': { fuse: 'F12', fuseRating: 10, fuseType: 'standard' },
};
const conditionsOf = (test: TestName): Reading['conditions'] =>
  isPathTest(test) ? { amps: test.startsWith('drop-charge') ? 88 : 140 } : CONDITIONS[test];

/** Any value that the test's meter can show. */
const valueOf = (test: TestName): fc.Arbitrary<Reading['value']> => {
  const [min, max] = TESTS[test].domain;
  if (TESTS[test].kind === 'list')
    return fc
      .tuple(fc.double({ min: 1.1, max: 1.2, noNaN: true }), fc.integer({ min: 0, max: 5 }))
      .map(([weak, at]) => Array.from({ length: 6 }, (_, cell) => (cell === at ? weak : 1.26)));
  const from = Math.max(min, 0);
  // most limits are of the first volts or amps
  return fc.oneof(fc.double({ min: from, max, noNaN: true }), fc.double({ min: from, max: from + 3, noNaN: true }));
};

/** Everything else reads well; of the same path nothing was read, since what contains a bad piece reads bad itself. */
const beside = (reading: Reading) =>
  caseOf(
    [
      ...soundReadings().filter(({ test }) => test !== reading.test && !(isPathTest(reading.test) && isPathTest(test))),
      reading,
    ],
    { observations: SOUND_LOOKS },
  );

describe('a reading straight across a fault', () => {
  it.each(DIRECT)('%s, twice its limit or more, makes it nine in ten', (test) => {
    let heard = 0;
    fc.assert(
      fc.property(valueOf(test), (value) => {
        const subject = beside(read(test, value, conditionsOf(test)));
        const { gradedCase } = survey(subject);
        const reading = gradedCase.readings.find((one) => one.test === test);
        const failure = failuresOf({ gradedCase, figures: derive(gradedCase) }).find(
          (one) => one.reading.test === test,
        );
        if (!reading || !failure || failure.times < 2) return;
        heard += 1;
        const said = judge(subject);
        const sum = said.faults
          .filter(({ fault }) => failure.faults.includes(fault))
          .reduce((all, { probability }) => all + probability, 0);
        expect(sum).toBeGreaterThan(0.899);
        expect(said.decision.action).not.toBe('none-found');
      }),
      { numRuns: 60 },
    );
    expect(heard).toBeGreaterThan(0);
  });

  it('of an upper limit twice is twice, of a lower one half of it', () => {
    const times = (reading: Reading): number | null => timesItsLimit(survey(beside(reading)).gradedCase, reading);
    expect(times(read('parasitic-draw', 0.16, { minutesAsleep: 45 }))).toBeCloseTo(2, 5);
    expect(times(read('load-test', 4.8, { amps: 280, seconds: 15, chargedBefore: true }))).toBeCloseTo(2, 5);
    expect(times(read('ripple-waveform', 0.1, { humpsMissing: 1 }))).toBe(Infinity);
  });

  it('a drain well over its limit is a fact: what is left is to find its fuse', () => {
    const said = judge(beside(read('parasitic-draw', 0.18, { minutesAsleep: 45 })));
    expect(said.faults[0]).toMatchObject({ fault: 'parasitic-drain', probability: expect.closeTo(0.9, 2) });
    expect(said.next[0]).toMatchObject({ test: 'fuse-drop' });
    const alone = judge(caseOf([soundReadings()[0]!, read('fuse-drop', 0.0045, CONDITIONS['fuse-drop']!)]));
    expect(alone.faults[0]).toMatchObject({ fault: 'parasitic-drain' });
    expect(alone.next[0]!.test).toBe('parasitic-draw');
  });

  it('a whole draw that is good speaks louder than a fuse that was read while something was awake', () => {
    const said = judge(
      caseOf(
        [
          ...soundReadings(),
          read('parasitic-draw', 0.02, { minutesAsleep: 60 }),
          read('fuse-drop', 0.0045, CONDITIONS['fuse-drop']!),
        ],
        {
          observations: SOUND_LOOKS,
        },
      ),
    );
    expect(said.decision.action).toBe('none-found');
  });

  it('a missing hump that was counted is asked after at the alternator; counted twice it is proof', () => {
    const humps = () => read('ripple-waveform', 0.12, { humpsMissing: 1 });
    const once = judge(beside(humps()));
    expect(['diode-reverse', 'ripple-waveform', 'alternator-current']).toContain(once.next[0]!.test);
    const twice = judge(caseOf([...soundReadings(), humps(), humps()], { observations: SOUND_LOOKS }));
    expect(twice.decision).toMatchObject({ action: 'replace', part: 'alternator', fault: 'alternator-diode' });
    expect(twice.next).toEqual([]);
  });
});
