/** How instruments lie, and how they are mended. */
import { PracticeBay, PracticeSession } from '../../src/practice';
import type { Exercise, InstrumentFaults } from '../../src/practice';
import { bayWith, crank, putOn, sound } from './bay';

describe('instruments lie in their usual ways, and can be mended', () => {
  const withFaults = (instruments: InstrumentFaults, fault: Exercise['faults'][number] = 'none') =>
    new PracticeBay({ ...sound, faults: [fault], setting: { instruments } });
  const cranked = (bay: PracticeBay): number => {
    bay.take({ use: 'amps-dc', clamp: 'battery-cables' });
    crank(bay);
    return bay.shown.value!;
  };

  test('a small clamp never shows more than its ceiling, a large one does', () => {
    const bay = withFaults({ clampMostAmps: 60 });
    expect(Math.abs(cranked(bay))).toBeLessThanOrEqual(62);
    bay.mend('clamp');
    bay.advance(1);
    expect(Math.abs(bay.shown.value!)).toBeGreaterThan(70);
  });
  test('a clamp off its zero shows amps where none flow; zeroed while current flows it is wrong again', () => {
    const bay = withFaults({ clampOffAmps: 24 });
    bay.take({ use: 'amps-dc', clamp: 'battery-cables' });
    bay.advance(1);
    expect(bay.shown.value).toBeCloseTo(24, 0);
    bay.look('clamp-zero');
    expect(bay.case.observations).toEqual([{ about: 'clamp-zero', finding: 'drifts' }]);
    bay.mend('zero');
    bay.advance(1);
    expect(bay.shown.value).toBeCloseTo(0, 1);
    crank(bay);
    bay.mend('zero');
    bay.set({ key: 'off' });
    bay.advance(2);
    expect(Math.abs(bay.shown.value!)).toBeGreaterThan(50);
  });
  test('its arrow turned is the other sign, and a crank is read all the same', () => {
    const bay = withFaults({});
    const right = cranked(bay);
    bay.take({ isClampTurned: true });
    bay.advance(1);
    expect(Math.sign(bay.shown.value!)).toBe(-Math.sign(right));
    bay.write();
    expect(bay.case.readings[0]!.value as number).toBeGreaterThan(0);
    // into the battery or out of it: there the sign is the reading
    expect(bay.takeFor('battery-current')).toBe(true);
    expect(bay.hands.isClampTurned).toBe(false);
  });
  test('a wrong scale is a factor of ten', () => {
    const right = Math.abs(cranked(withFaults({})));
    expect(Math.abs(cranked(withFaults({ clampFactor: 0.1 })))).toBeCloseTo(right / 10, 0);
  });
  test('a broken lead jumps until it is changed', () => {
    const bay = withFaults({ hasBrokenLead: true });
    putOn(bay, 'positive-post', 'negative-post');
    const shown = (): number[] => Array.from({ length: 20 }, () => (bay.advance(0.3), bay.shown.value!));
    const range = (values: number[]): number => Math.max(...values) - Math.min(...values);
    expect(range(shown())).toBeGreaterThan(0.5);
    bay.mend('leads');
    bay.advance(1);
    expect(range(shown())).toBeLessThan(0.05);
  });
  test('what was mended stays mended where a visit goes on', () => {
    const exercise: Exercise = { ...sound, setting: { instruments: { clampOffAmps: 24 } } };
    const before = new PracticeSession(exercise);
    before.bay.mend('zero');
    const { bay } = new PracticeSession(exercise, JSON.parse(JSON.stringify(before.left)));
    bay.take({ use: 'amps-dc', clamp: 'battery-cables' });
    bay.advance(1);
    expect(bay.shown.value).toBeCloseTo(0, 1);
  });
  test('an AC range that sees DC shows twice the battery', () => {
    const bay = withFaults({ acSeesDc: true });
    bay.take({ red: 'positive-post', black: 'negative-post', use: 'volts-ac' });
    expect(bay.shown.value).toBeGreaterThan(20);
    bay.mend('meter');
    expect(bay.shown.value).toBeLessThan(0.1);
  });
  test('a range that is too small is over range, and nothing is written down from it', () => {
    const bay = withFaults({});
    bay.take({ red: 'positive-post', black: 'negative-post', range: 6 });
    expect(bay.shown.value).toBeNull();
    expect(bay.write()).toEqual({ why: 'over-range' });
    bay.take({ range: 60 });
    expect(bay.shown.value).toBeCloseTo(12.6, 0);
  });
  test('the recorder keeps a lowest that holds part of the inrush, and the reading says so', () => {
    const bay = withFaults({});
    bay.take({ red: 'positive-post', black: 'negative-post', isRecording: true });
    crank(bay);
    const sustained = bay.shown.value!;
    bay.write();
    const [reading] = bay.case.readings;
    expect(reading).toMatchObject({ test: 'cranking-voltage', conditions: { method: 'min-max' } });
    expect(reading!.value as number).toBeLessThan(sustained - 0.2);
  });
  test('a tester that is set by the label measures in its standard', () => {
    const shares = ['SAE', 'EN', 'DIN'].map((standard) => {
      const bay = Array.from({ length: 60 }, (_, seed) => bayWith('none', 0.5, seed)).find(
        ({ vehicle }) => vehicle.system.battery.rating?.standard === standard,
      )!;
      bay.take({ red: 'positive-post', black: 'negative-post', use: 'conductance' });
      return bay.shown.value! / bay.vehicle.system.battery.rating!.value;
    });
    for (const share of shares) expect(share).toBeCloseTo(1, 0);
  });
});
