/** Told to crank, and nothing flows: where the volts stand says what is open, to the starter itself. */
import { describe, expect, it, test } from '@jest/globals';
import { judge } from '@tetrad/core';
import type { Reading } from '@tetrad/core';
import { cannot, caseOf, crank, drop, read, rest, saw } from '../cases';

const control = (volts: number): Reading => read('starter-control-voltage', volts);
const draw = (amps: number): Reading => read('starter-draw', amps);
const motor = (volts: number): Reading => read('starter-motor-voltage', volts);
const nothingAcross = (which: 'drop-starter-positive' | 'drop-starter-ground'): Reading => drop(which, 0.004, 0);
const TOLD = [rest(12.64), crank(12.5), draw(0), control(12.3)];
const BOTH_CLOSED = [nothingAcross('drop-starter-positive'), nothingAcross('drop-starter-ground')];
const said = (readings: readonly Reading[], observations = [saw('terminals', 'clean')]) =>
  judge(caseOf(readings, { symptoms: ['no-crank-silent'], observations }));

describe('the starter is open inside', () => {
  it('neither path is open and the solenoid is told: it is replaced', () => {
    expect(said([...TOLD, ...BOTH_CLOSED]).decision).toMatchObject({
      action: 'replace',
      part: 'starter',
      fault: 'starter-worn',
    });
  });

  it('the drops stay void: without current they tell nothing of resistance', () => {
    const grades = said([...TOLD, ...BOTH_CLOSED]).readings.slice(-2);
    expect(grades).toMatchObject([{ grade: 'void' }, { grade: 'void' }]);
  });

  it('the whole battery arrives at the motor and none flows: that alone says the same', () => {
    const { decision } = said([...TOLD, motor(12.4)]);
    expect(decision).toMatchObject({ action: 'replace', part: 'starter', fault: 'starter-worn' });
  });

  it('it is not called while one path was not read', () => {
    const { decision, next } = said([...TOLD, nothingAcross('drop-starter-ground')]);
    expect(decision.action).toBe('test-next');
    expect(next.map(({ test: name }) => name)).toEqual(
      expect.arrayContaining([expect.stringMatching(/^(drop-starter-positive|starter-motor-voltage)$/)]),
    );
  });

  it('nor while nobody knows whether it is told to crank', () => {
    const silent = TOLD.filter(({ test: name }) => name !== 'starter-control-voltage');
    expect(said([...silent, ...BOTH_CLOSED]).decision.action).toBe('test-next');
  });

  it('a tap that makes it turn speaks for worn brushes', () => {
    const worn = (observations = [saw('terminals', 'clean')]): number =>
      said([...TOLD, nothingAcross('drop-starter-ground')], observations).faults.find(
        ({ fault }) => fault === 'starter-worn',
      )!.probability;
    expect(worn([saw('starter-tap', 'turned')])).toBeGreaterThan(worn() + 0.1);
  });
});

describe('the volts do not arrive at the motor', () => {
  it('the starter is not blamed for it', () => {
    const { decision, parts } = said([...TOLD, motor(0.02)]);
    expect(decision.action).toBe('test-next');
    expect(parts.starter.verdict).not.toBe('replace');
  });

  it('where the control voltage is missing too, nothing can arrive: void', () => {
    const untold = [rest(12.64), draw(0), control(0.3)];
    const motors = said([...untold, motor(0)]);
    expect(motors.readings.at(-1)).toMatchObject({ grade: 'void', code: 'motor-not-told' });
    expect(motors.decision).toMatchObject({ part: 'control', fault: 'starter-control' });
  });
});

test('a whole that reads nothing beside a piece in it that reads the battery: both are asked for again', () => {
  const { readings, decision, next } = said([
    ...TOLD,
    drop('drop-starter-positive', 0.004, 0),
    drop('drop-solenoid', 12.4, 0),
  ]);
  expect(readings.slice(-2)).toMatchObject([
    { grade: 'void', code: 'part-above-whole' },
    { grade: 'void', code: 'part-above-whole' },
  ]);
  expect(decision.action).toBe('test-next');
  const asked = next.map(({ test: name }) => name);
  expect(asked).toContain('drop-starter-positive');
  expect(asked).toContain('drop-solenoid');
});

test('a solenoid that clicks is told to close: the drops are asked for without its control voltage', () => {
  const clicking = said(
    [rest(12.64), draw(0), read('conductance', 545)],
    [saw('terminals', 'clean'), saw('solenoid', 'clicks')],
  );
  expect(clicking.next.some(({ test: name }) => name.startsWith('drop-'))).toBe(true);
});

test('the motor’s volts are asked for only where nothing flows', () => {
  const asks = (...readings: Reading[]) =>
    said([rest(12.64), read('conductance', 545), ...readings]).next.map(({ test: name }) => name);
  expect(asks(crank(10.6), draw(140))).not.toContain('starter-motor-voltage');
  expect(asks(crank(10.6), draw(140))).not.toContain('starter-tap');
  expect(asks(cannot('cranking-voltage'), draw(0))[0]).toBe('starter-control-voltage');
});

describe('a vehicle that does not crank', () => {
  it('is not decided by its charging side: 1.5 V at a lamp terminal repairs nothing', () => {
    const charging = [rest(12.6), read('conductance', 545), draw(0), read('excitation-voltage', 1.5)];
    const { decision, next } = said(charging);
    expect(decision.action).toBe('test-next');
    expect(next[0]!.test).toBe('starter-control-voltage');
    expect(next.map(({ test: name }) => name)).not.toContain('belt');
  });
});

describe('a starter that spins free', () => {
  const spins = [rest(12.6), crank(12.2), draw(48), read('cranking-speed', 0)];
  const spinning = (readings: readonly Reading[]) =>
    judge(caseOf(readings, { symptoms: ['spins-without-cranking'], observations: [saw('terminals', 'clean')] }));

  it('is its drive: nothing across the cables can explain it', () => {
    expect(spinning(spins).decision).toMatchObject({ action: 'replace', part: 'starter', fault: 'starter-drive' });
  });

  it('is not read across its cables', () => {
    const asked = spinning(spins.slice(0, 2)).next.map(({ test: name }) => name);
    expect(asked.filter((name) => name.startsWith('drop-') || name === 'starter-control-voltage')).toEqual([]);
    expect(asked).toContain('starter-draw');
  });
});
