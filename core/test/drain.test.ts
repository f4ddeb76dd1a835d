/** A drain while parked: how much, since when asleep, and through which fuse. */
import { describe, expect, it } from '@jest/globals';
import { checkCase, customerWords, judge } from '@tetrad/core';
import type { Judgement, Reading } from '@tetrad/core';
import { measuresOfVisit } from '../src/trends';
import { fuseOhms } from '../src/circuit/fuse-ohms';
import { caseOf, charging, read, rest, saw } from './cases';

const asleep = { minutesAsleep: 40 };
const draw = (amps: number, more = {}): Reading => read('parasitic-draw', amps, { ...asleep, ...more });
const across = (fuse: string, volts: number, fuseRating?: number): Reading =>
  read('fuse-drop', volts, { fuse, ...(fuseRating !== undefined && { fuseRating, fuseType: 'mini' }) });
const sound = (): Reading[] => [rest(12.62), read('conductance', 560), charging(14.2), charging(14, 'on')];
const said = (...readings: readonly Reading[]): Judgement =>
  judge(caseOf([...sound(), ...readings], { symptoms: ['goes-flat'], observations: [saw('belt', 'good')] }));
const drain = ({ faults }: Judgement): number => faults.find(({ fault }) => fault === 'parasitic-drain')!.probability;

describe('a draw', () => {
  it('read twice and three times makes it surer', () => {
    const [once, twice, thrice] = [
      said(draw(0.18)),
      said(draw(0.18), draw(0.18)),
      said(draw(0.18), draw(0.18), draw(0.18)),
    ];
    expect(drain(twice)).toBeGreaterThanOrEqual(drain(once));
    expect(drain(thrice)).toBeGreaterThanOrEqual(drain(twice));
    expect(thrice.decision.part).toBe('drain');
  });

  it('with a fuse pulled tells of that fuse, and clears nothing', () => {
    const judgement = said(draw(0.18), draw(0.02, { pulled: 'F7' }));
    const pulled = judgement.readings.at(-1)!;
    expect(pulled.grade).toBe('noted');
    expect(pulled.because).toBe('20 mA with F7 pulled: 160 mA flow through it.');
    expect(drain(judgement)).toBeCloseTo(drain(said(draw(0.18))), 5);
  });

  it('with a fuse pulled alone leaves the whole drain unread, and is asked for', () => {
    const judgement = said(draw(0.02, { pulled: 'F7' }));
    expect(judgement.decision.action).toBe('test-next');
    expect(judgement.next[0]!.test).toBe('parasitic-draw');
    expect(judgement.decision.because).toBe(judgement.next[0]!.because);
    const { before } = measuresOfVisit(caseOf([...sound(), draw(0.02, { pulled: 'F7' })]));
    expect(before.map(({ series }) => series)).not.toContain('drain');
  });
});

describe('the circuit', () => {
  it('is asked for once a drain is found, and not where nothing drains', () => {
    const found = said(draw(0.4));
    expect(found.decision.part).toBe('drain');
    expect(found.next).toMatchObject([{ test: 'fuse-drop', optional: true }]);
    expect(said(draw(0.02)).next.map(({ test }) => test)).not.toContain('fuse-drop');
  });

  it('that takes the most is named by the decision and to the customer', () => {
    const inPlace = said(draw(0.62), across('F3', 0.0001, 10), across('F12', 0.0061, 10)).decision;
    expect(inPlace).toMatchObject({ part: 'drain', with: { circuit: { fuse: 'F12' } } });
    expect(inPlace.because).toMatch(/F12 takes \d+ mA\.|F12 takes [\d.]+ A\./);
    expect(customerWords(inPlace)).toContain('fuse F12');
    const pulled = said(draw(0.62), draw(0.04, { pulled: 'F7' }), draw(0.61, { pulled: 'F3' })).decision;
    expect(pulled.with).toMatchObject({ circuit: { fuse: 'F7' } });
    expect(pulled.because).toContain('F7 takes 580 mA.');
    expect(said(draw(0.62)).decision.with).not.toHaveProperty('circuit');
  });

  it('is the fuse with the most current, by its own resistance; the newest reading of a fuse counts', () => {
    const { derived } = said(draw(0.4), across('F3', 0.0001, 10), across('F7', 0.0009, 5), across('F7', 0.0061, 5));
    expect(derived.fuses!.map(({ fuse }) => fuse)).toEqual(['F7', 'F3']);
    expect(derived.fuses![0]!.amps).toBeCloseTo(0.0061 / fuseOhms(5, 'mini'), 6);
    expect(derived.fuses![0]!.amps).toBeGreaterThan(0.3);
  });

  it('a fuse without its rating is noted, and what is missing is told', () => {
    const judgement = said(draw(0.4), across('F3', 0.0021));
    expect(judgement.readings.at(-1)).toMatchObject({ grade: 'noted' });
    expect(judgement.readings.at(-1)!.because).toContain('its rating is needed');
    expect(judgement.derived.fuses).toBeUndefined();
  });

  it('of one form has less resistance the larger its rating', () => {
    const ratings = [2, 3, 5, 7.5, 10, 15, 20, 25, 30, 40, 60, 80];
    const ohms = ratings.map((rating) => fuseOhms(rating));
    expect(ohms).toEqual(ohms.toSorted((a, b) => b - a));
    // a fuse at its rating drops about a tenth of a volt
    for (const [i, rating] of ratings.entries()) expect(ohms[i]! * rating).toBeLessThan(0.16);
    expect(() => fuseOhms(0)).toThrow(RangeError);
  });

  it.each([
    [{ fuse: 'F7', fuseRating: 10, fuseType: 'standard' }, true],
    [{ fuse: 'F7', fuseRating: 10, fuseType: 'glass' }, false],
    [{ fuse: 7, fuseRating: 10 }, false],
    [{ fuse: 'F7', fuseRating: -1 }, false],
  ])('in a file: %j fits: %s', (conditions, fits) => {
    expect(checkCase(caseOf([read('fuse-drop', 0.002, conditions as never)])).ok).toBe(fits);
  });
});

describe('a battery that goes flat standing', () => {
  const asked = (readings: readonly Reading[], symptoms: string[]) =>
    judge(caseOf(readings, { symptoms })).next[0]?.test;

  it('is followed by the drain as soon as it is proven itself, before the engine runs', () => {
    const proven = [rest(12.65), read('conductance', 560)];
    expect(asked(proven, ['goes-flat'])).toBe('parasitic-draw');
    expect(asked(proven, ['slow-crank'])).not.toBe('parasitic-draw');
    expect(asked([rest(12.65)], ['goes-flat'])).not.toBe('parasitic-draw');
  });
});
