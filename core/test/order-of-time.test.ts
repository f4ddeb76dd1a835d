/** Where the order of the readings counts: a battery that is charged in between, and two that contradict each other. */
import { describe, expect, it } from '@jest/globals';
import { judge } from '@tetrad/core';
import type { Judgement, Reading } from '@tetrad/core';
import { caseOf, crank, read, rest, saw } from './cases';

const said = (...readings: readonly Reading[]): Judgement =>
  judge(caseOf(readings, { symptoms: ['slow-crank'], observations: [saw('terminals', 'clean')] }));
const gradeOf = ({ readings }: Judgement, { id }: Reading): string => readings.find((one) => one.id === id)!.grade;

describe('a battery that was charged in between', () => {
  const flat = rest(12.05);
  const full = rest(12.66);

  it('what failed under load while it was flat is void, and asked for again', () => {
    const low = crank(8.6);
    const judgement = said(flat, low, full);
    expect(gradeOf(judgement, low)).toBe('void');
    expect(judgement.decision.action).toBe('test-next');
    expect(judgement.next.map(({ test }) => test)).toContain('cranking-voltage');
  });

  it('what passed while it was flat still counts', () => {
    const good = crank(10.4);
    expect(gradeOf(said(flat, good, full), good)).toBe('within');
  });

  it('what failed after the charge counts', () => {
    const low = crank(8.6);
    expect(gradeOf(said(flat, full, low), low)).toBe('outside');
  });

  it('what failed before anybody read it at rest counts, where it was full then', () => {
    const low = crank(8.6);
    expect(gradeOf(said(low, full), low)).toBe('outside');
  });

  it('a load test that says it was charged before is taken at its word', () => {
    const low = read('load-test', 8.2, { amps: 280, seconds: 15, chargedBefore: true });
    expect(gradeOf(said(flat, low, full), low)).toBe('outside');
  });
});

describe('gravity that contradicts the resting volts', () => {
  const gravity = (): Reading => read('specific-gravity', [1.265, 1.262, 1.266, 1.264, 1.263, 1.265]);

  it('both are asked for again before anything is charged', () => {
    const judgement = said(rest(11.7), gravity());
    expect(judgement.decision.action).toBe('test-next');
    expect(judgement.next.slice(0, 2).map(({ test }) => test)).toEqual(['resting-voltage', 'specific-gravity']);
  });

  it('a second resting voltage that agrees settles it', () => {
    const cells = gravity();
    const judgement = said(rest(11.7), cells, rest(12.64));
    expect(gradeOf(judgement, cells)).toBe('within');
    expect(judgement.next.map(({ test }) => test)).not.toContain('specific-gravity');
  });

  it('neither is asked for a third time: the resting voltage stands', () => {
    const judgement = said(
      ...[rest(11.7), gravity(), rest(11.72), gravity()].map((reading, i) => ({
        ...reading,
        at: `2026-03-02T09:1${i}:00Z`,
      })),
    );
    expect(judgement.decision.action).toBe('charge-first');
  });

  it('cells that differ explain low volts by themselves', () => {
    const judgement = said(rest(10.6), read('specific-gravity', [1.26, 1.262, 1.14, 1.261, 1.26, 1.259]));
    expect(judgement.faults[0]!.fault).toBe('battery-dead-cell');
  });
});
