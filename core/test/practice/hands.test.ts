/** What is taken off, what may not be done, what is heard, seen and smelled. */
import { PracticeBay, exerciseOf } from '../../src/practice';
import type { Exercise } from '../../src/practice';
import { bayWith, crank, putOn, readAcross, sound } from './bay';

describe('what is taken off', () => {
  test('the belt off frees a seized accessory, and a tight engine stays tight', () => {
    const ampsOf = (fault: Exercise['faults'][number], isBeltOff: boolean): number => {
      const bay = bayWith(fault, 0.5);
      bay.takeOff({ isBeltOff });
      bay.take({ use: 'amps-dc', clamp: 'battery-cables' });
      crank(bay);
      return Math.abs(bay.shown.value!);
    };
    expect(ampsOf('accessory-seized', true)).toBeLessThan(0.65 * ampsOf('accessory-seized', false));
    expect(ampsOf('engine-drag', true)).toBeGreaterThan(0.9 * ampsOf('engine-drag', false));
  });
  test('a steady crank with the belt off is an observation, not a reading of the vehicle', () => {
    const bay = bayWith('accessory-seized', 0.5);
    bay.takeOff({ isBeltOff: true });
    bay.take({ use: 'amps-dc', clamp: 'battery-cables' });
    bay.set({ hasFuel: false, key: 'start' });
    bay.advance(1);
    expect(bay.write()).toEqual({ why: 'no-test' });
    bay.advance(4);
    expect(bay.write()).toEqual({ seen: 'belt-removed-crank' });
    expect(bay.case).toMatchObject({ readings: [], observations: [{ about: 'belt-removed-crank', finding: 'freed' }] });
  });
  test('without plugs it does not fire; without its belt it does not charge', () => {
    const bay = new PracticeBay(sound);
    bay.takeOff({ arePlugsOut: true });
    bay.set({ key: 'start', hasFuel: true });
    bay.advance(5);
    expect(bay.instant.isRunning).toBe(false);
    bay.set({ key: 'off' });
    bay.advance(5);
    bay.takeOff({ arePlugsOut: false, isBeltOff: true });
    bay.set({ key: 'start', hasFuel: true });
    bay.advance(5);
    bay.set({ key: 'on' });
    bay.advance(20);
    expect([bay.instant.isRunning, bay.instant.alternatorAmps]).toEqual([true, 0]);
    expect(bay.takeOff({ isBeltOff: false })).toBe('engine-runs');
    expect(bay.set({ key: 'start' })).toBe('runs-already');
  });
  test('negative first and on last is safe; positive first is not', () => {
    const safe = new PracticeBay(sound);
    for (const step of [
      { isNegativeOff: true },
      { isPositiveOff: true },
      { isPositiveOff: false },
      { isNegativeOff: false },
    ])
      safe.takeOff(step);
    expect(safe.safety).toEqual([]);
    const unsafe = new PracticeBay(sound);
    unsafe.takeOff({ isPositiveOff: true });
    expect(unsafe.safety).toEqual(['positive-first']);
  });
  test('a battery that is off feeds nothing, and stands at its own posts', () => {
    const bay = new PracticeBay(sound);
    bay.takeOff({ isNegativeOff: true });
    expect(bay.set({ key: 'start' })).toBe('disconnected');
    expect(readAcross(bay, 'positive-post', 'negative-post')).toBeGreaterThan(12);
    expect(readAcross(bay, 'alternator-stud', 'negative-post')).toBeCloseTo(0, 1);
  });
});

describe('what may not be done', () => {
  test('taking the battery off a running engine, and a spark at a charging battery, are noted', () => {
    const bay = new PracticeBay(sound);
    bay.set({ key: 'start', hasFuel: true });
    bay.advance(4);
    bay.takeOff({ isNegativeOff: true });
    expect(bay.safety).toEqual(['disconnected-running']);
    const charging = new PracticeBay(sound);
    charging.putOnCharger(true);
    charging.loadTest(true);
    expect(charging.safety).toEqual(['sparks']);
  });
  test('a flat battery in hard frost is frozen: seen at its case, and not loaded', () => {
    const bay = new PracticeBay(exerciseOf('frozen')!);
    bay.look('battery-case');
    expect(bay.case.observations).toEqual([{ about: 'battery-case', finding: 'frozen' }]);
    bay.loadTest(true);
    expect(bay.safety).toContain('frozen-tested');
  });
  test('cranking with fuel to take a reading, too long, and again without cooling is noted', () => {
    const bay = new PracticeBay(sound);
    putOn(bay, 'positive-post', 'negative-post');
    bay.set({ key: 'start', hasFuel: true });
    bay.advance(0.4);
    bay.write();
    expect(bay.safety).toContain('fuel-not-stopped');
    bay.set({ hasFuel: false, key: 'off' });
    bay.advance(90);
    bay.set({ key: 'start' });
    bay.advance(17);
    expect(bay.safety).toContain('cranked-too-long');
    bay.set({ key: 'off' });
    bay.advance(10);
    bay.set({ key: 'start' });
    bay.advance(1);
    expect(bay.safety).toContain('no-cooling');
  });
  test('a short crank, or one after a minute, is nothing', () => {
    const bay = new PracticeBay(sound);
    for (let i = 0; i < 3; i++) {
      crank(bay); // 5 s
      bay.set({ key: 'off' });
      bay.advance(65);
    }
    expect(bay.safety).toEqual([]);
  });
});

describe('what is heard, seen and smelled', () => {
  const senses = (fault: Exercise['faults'][number], severity = 0.8): readonly string[] => {
    const bay = bayWith(fault, severity);
    crank(bay);
    return bay.senses;
  };
  test.each([
    ['starter-control', 'silent'],
    ['starter-drive', 'whirrs'],
    ['connection-positive-post', 'cranks-slowly'],
    ['none', 'cranks'],
  ] as const)('%s: %s', (fault, sense) => expect(senses(fault)[0]).toBe(sense));
  test('a starter that is open inside clicks once, and an empty battery clicks fast', () => {
    const open = new PracticeBay(exerciseOf('open-starter')!);
    crank(open);
    expect(open.senses).toEqual(['click']);
    const flat = bayWith('battery-discharged', 1);
    flat.vehicle.charge = 0;
    flat.vehicle.loadAmps *= 4;
    crank(flat);
    expect(flat.senses[0]).toBe('clicks');
  });
  test('a bad joint smells hot only while current flows through it', () => {
    const bay = bayWith('connection-positive-post');
    expect(bay.senses).toEqual(['quiet']);
    crank(bay);
    expect(bay.senses).toContain('smells-hot');
  });
  test('a running engine tells of belt, lamp and battery', () => {
    const run = (fault: Exercise['faults'][number]): readonly string[] => {
      const bay = bayWith(fault);
      bay.set({ key: 'start' });
      bay.advance(4);
      bay.set({ key: 'on', throttle: 0.5 });
      bay.advance(5);
      return bay.senses;
    };
    expect(run('none')).toEqual(['runs']);
    expect(run('belt-slip')).toContain('squeals');
    expect(run('alternator-dead')).toContain('lamp-lit');
    expect(run('regulator-high')).toContain('smells-acid');
  });
});
