/** A reading outside its limit that nothing explains is a slip or it is true: it is read once more before anything is said. */
import { judge } from '@tetrad/core';
import type { Reading } from '@tetrad/core';
import { LABEL_CONFIRMED, SOUND_LOOKS, caseOf, charging, crank, read, rest, soundReadings } from './cases';

const saidOf = (readings: readonly Reading[]) => judge(caseOf(readings, { observations: SOUND_LOOKS }));
const beside = (...more: readonly Reading[]) => saidOf([...soundReadings(), ...more]);

describe('beside everything that reads well', () => {
  it.each([
    ['alternator-stud-voltage', 0, {}],
    ['battery-current', 30, { minutesAfterStart: 3 }],
    ['parasitic-draw', 0.13, { minutesAsleep: 60 }],
  ] as const)('%s of %s is read again first, and nothing is found before', (test, value, conditions) => {
    const said = beside(read(test, value, conditions));
    expect(said.readings.at(-1)!.grade).toBe('outside');
    expect(said.decision).toMatchObject({ action: 'test-next', code: 'outside-unexplained' });
    expect(said.next[0]!.test).toBe(test);
    expect(said.decision.because).toContain('Repeat the reading');
  });

  it('a second reading within the limit settles it', () => {
    const first = read('battery-current', 30, { minutesAfterStart: 12 });
    expect(beside(first).decision.action).toBe('test-next');
    expect(beside(first, read('battery-current', 4, { minutesAfterStart: 20 })).decision.action).toBe('none-found');
  });
});

describe('nobody is asked to read again', () => {
  it('what a fault that leads explains', () => {
    const flat = saidOf([rest(12.62), crank(9.0), read('starter-draw', 140), read('conductance', 250)]);
    expect(flat.next.map(({ test }) => test)).not.toContain('conductance');
  });

  it('while the resting voltage is missing: everything leans on it', () => {
    expect(saidOf([read('ripple-waveform', 0.6, { humpsMissing: 1 })]).next.map(({ test }) => test)).toEqual([
      'resting-voltage',
    ]);
  });
});

test('too many volts without loads are not forgotten for fewer with them', () => {
  const said = beside(charging(15.9), charging(14.2, 'on'));
  expect(said.faults[0]!.fault).toBe('regulator-high');
  expect(said.parts.alternator.verdict).not.toBe('keep');
});

test('a battery that failed one test of its health is not kept for another that it passed', () => {
  const passed = [rest(12.65), crank(10.6), read('conductance', 545)];
  expect(saidOf(passed).parts.battery.verdict).toBe('keep');
  const { battery } = saidOf([...passed, read('internal-resistance', 0.0095)]).parts;
  expect(battery.verdict).toBe('not-proven');
});

test('no amps, and the battery is pulled down: the clamp is not around the cable', () => {
  const said = saidOf([rest(12.65), crank(10.6), read('starter-draw', 0)]);
  expect(said.readings.at(-1)).toMatchObject({ grade: 'void', code: 'clamp-misses-current' });
  expect(said.next.map(({ test }) => test)).toContain('starter-draw');
  const silent = saidOf([rest(12.65), crank(12.6), read('starter-draw', 0)]);
  expect(silent.readings.at(-1)!.grade).toBe('outside');
});

describe('a second kind of test', () => {
  const slow = (...more: readonly Reading[]) =>
    judge(
      caseOf([...soundReadings(), crank(11.4), ...more], {
        symptoms: ['slow-crank'],
        observations: SOUND_LOOKS,
        system: LABEL_CONFIRMED,
      }),
    );

  it('condemns a battery only where it agrees: one that cranks well and fails its tester is tested a third way', () => {
    const said = slow(read('conductance', 250));
    expect(said.decision.action).toBe('test-next');
    expect(said.next.map(({ test }) => test)).toContain('load-test');
    const loaded = read('load-test', 8.4, { amps: 280, seconds: 15 });
    expect(slow(read('conductance', 250), loaded).decision).toMatchObject({ action: 'replace', part: 'battery' });
  });
});
