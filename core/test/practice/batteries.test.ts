/** A battery that was charged, and packs. */
import { PracticeBay, PracticeSession } from '../../src/practice';
import type { Exercise } from '../../src/practice';
import { putOn, sound } from './bay';

describe('a battery that was just charged', () => {
  const driven = (): PracticeBay => new PracticeBay({ ...sound, setting: { isJustCharged: true } });
  const resting = (bay: PracticeBay): number => {
    putOn(bay, 'positive-post', 'negative-post');
    bay.advance(2);
    return bay.shown.value!;
  };
  test('looks fuller than it is, until the lamps took the charge off its plates', () => {
    const bay = driven();
    const before = resting(bay);
    bay.clearSurfaceCharge();
    expect(before - resting(bay)).toBeGreaterThan(0.15);
  });
  test('its resting voltage is void until then', () => {
    const session = new PracticeSession({ ...sound, setting: { isJustCharged: true } });
    resting(session.bay);
    session.write();
    expect(session.judgement.readings[0]!.grade).toBe('void');
    session.bay.clearSurfaceCharge();
    resting(session.bay);
    session.write();
    expect(session.judgement.readings[1]!.grade).not.toBe('void');
  });
});

describe('a pack', () => {
  const pack = (fault: Exercise['faults'][number]): PracticeBay =>
    new PracticeBay({
      ...sound,
      faults: [fault],
      setting: { kind: { fuel: 'diesel', nominalVolts: 12, inParallel: 3 } },
    });
  test('is read battery by battery once each is isolated, and the bad one stands out', () => {
    const bay = pack('battery-worn');
    const figures = [1, 2, 3].map((battery) => {
      bay.takeFor('conductance', battery);
      bay.write();
      return bay.case.readings.at(-1)!;
    });
    expect(figures.map(({ battery }) => battery)).toEqual([1, 2, 3]);
    const shares = figures.map(({ value }) => (value as number) / bay.vehicle.system.battery.rating!.value);
    expect(shares.filter((share) => share < 0.7)).toHaveLength(1);
  });
  test('an isolated battery cranks nothing, and reads no drop', () => {
    const bay = pack('none');
    bay.take({ battery: 2, red: 'positive-post', black: 'negative-post' });
    expect(bay.set({ key: 'start' })).toBe('isolated');
    expect(bay.test).toBe('resting-voltage');
    putOn(bay, 'starter-case', 'negative-post');
    expect(bay.test).toBeNull();
  });
  test('one of two in series with a dead cell stands two volts under the other', () => {
    const bay = new PracticeBay({
      ...sound,
      faults: ['battery-dead-cell'],
      setting: { kind: { fuel: 'diesel', nominalVolts: 24 } },
    });
    const volts = [1, 2].map((battery) => {
      bay.takeFor('resting-voltage', battery);
      bay.advance(1);
      return bay.shown.value!;
    });
    expect(Math.abs(volts[0]! - volts[1]!)).toBeGreaterThan(1.8);
  });
});
