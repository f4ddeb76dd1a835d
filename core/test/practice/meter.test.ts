/** What a meter shows in the bay, and what is written down of it. */
import { TESTS } from '@tetrad/core';
import { PracticeBay } from '../../src/practice';
import { bayWith, crank, putOn, readAcross, sound } from './bay';

describe('a meter in the bay', () => {
  test('shows what lies between its leads: nothing without them, the battery on its posts', () => {
    const bay = new PracticeBay(sound);
    bay.advance(1);
    expect(bay.shown.value).toBeCloseTo(0, 1);
    putOn(bay, 'positive-post', 'negative-post');
    bay.advance(1);
    expect(bay.shown).toMatchObject({ value: expect.closeTo(12.6, 0), unit: 'V' });
    bay.take({ red: 'negative-post' });
    bay.take({ black: 'positive-post' });
    bay.advance(1);
    expect(bay.shown.value).toBeLessThan(-12);
  });

  test('a bad post loses its volts between post and clamp while the starter draws, and none at rest', () => {
    const bay = bayWith('connection-positive-post');
    expect(readAcross(bay, 'positive-post', 'positive-clamp')).toBeCloseTo(0, 2);
    crank(bay);
    expect(bay.shown.value).toBeGreaterThan(0.5);
  });

  test('follows slowly: the dip of the inrush is not seen on it', () => {
    const bay = new PracticeBay(sound);
    putOn(bay, 'positive-post', 'negative-post');
    bay.advance(1);
    bay.set({ hasFuel: false, key: 'start' });
    let lowestSeen = Infinity;
    let lowest = Infinity;
    for (let at = 0; at < 40; at++) {
      bay.advance(0.02);
      lowestSeen = Math.min(lowestSeen, bay.shown.value ?? Infinity);
      lowest = Math.min(lowest, bay.instant.postVolts);
    }
    expect(lowestSeen).toBeGreaterThan(lowest + 0.3);
  });

  test('a whole battery stands across an open, and next to nothing before and after it', () => {
    const bay = bayWith('cable-starter-positive', 1);
    crank(bay);
    expect(readAcross(bay, 'positive-clamp', 'solenoid-battery')).toBeGreaterThan(11);
    expect(readAcross(bay, 'starter-case', 'negative-post')).toBeCloseTo(0, 1);
  });
});

describe('what is written down', () => {
  test('is the test whose leads they are, by what flows', () => {
    const bay = new PracticeBay(sound);
    putOn(bay, 'positive-post', 'negative-post');
    expect(bay.test).toBe('resting-voltage');
    crank(bay);
    expect(bay.test).toBe('cranking-voltage');
    putOn(bay, 'starter-case', 'negative-post');
    expect(bay.test).toBe('drop-starter-ground');
    bay.take({ use: 'amps-dc' });
    bay.take({ clamp: 'battery-cables' });
    expect(bay.test).toBe('starter-draw');
  });

  test('is nothing where no test of the trade is read so', () => {
    const bay = new PracticeBay(sound);
    putOn(bay, 'alternator-case', 'module-plug');
    expect(bay.write()).toEqual({ why: 'no-test' });
    expect(bay.case.readings).toEqual([]);
  });

  test('has the current that flows beside it where a clamp is round the cables, and none where it is not', () => {
    const bay = new PracticeBay(sound);
    putOn(bay, 'starter-case', 'negative-post');
    crank(bay);
    bay.write();
    bay.take({ clamp: 'battery-cables' });
    bay.advance(1);
    bay.write();
    const [without, beside] = bay.case.readings.map(({ conditions }) => conditions?.amps);
    expect([without, beside]).toEqual([undefined, expect.any(Number)]);
    expect(beside).toBeGreaterThan(50);
  });

  test('every test of the route that a meter reads has a place in the bay', () => {
    for (const [name, { leads, unit }] of Object.entries(TESTS)) {
      const bay = new PracticeBay(sound);
      const isOfMeter = leads !== null && (unit === 'V' || unit === 'A') && !/inrush|waveform|diode|gravity/.test(name);
      if (
        isOfMeter &&
        !['charge-acceptance', 'hold-charge', 'recovery-voltage', 'fuse-drop', 'module-voltage'].includes(name)
      )
        expect([name, bay.takeFor(name as never)]).toEqual([name, true]);
    }
  });
});
