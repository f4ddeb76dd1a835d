import { BALANCED, CAREFUL, ENGLISH, HEAVY_DUTY, QUICK_CHECK, compareSchools, judge, noteOf } from '@tetrad/core';
import type { Case, CriteriaSet } from '@tetrad/core';
import { SOUND_SYSTEM, caseOf, charging, crank, lastOf, read, rest, ripple } from './cases';

const of24: Case['system'] = {
  ...SOUND_SYSTEM,
  nominalVolts: 24,
  battery: { ...SOUND_SYSTEM.battery, count: 2, arrangement: 'series' },
};
const of6: Case['system'] = { ...SOUND_SYSTEM, nominalVolts: 6 };
const smart: Case['system'] = { ...SOUND_SYSTEM, alternator: { ratedAmps: 180, regulation: 'commanded' } };

describe('the four readings against the balanced set', () => {
  it.each([
    [rest(12.6), 'within'],
    [rest(12.3), 'outside'],
    [charging(14.2), 'within'],
    [charging(13.2), 'outside'],
    [charging(15.3), 'outside'],
    [ripple(0.05), 'within'],
    [ripple(0.3), 'near'],
    [ripple(0.7), 'outside'],
  ] as const)('%j is %s', (reading, grade) => {
    expect(lastOf([reading]).grade).toBe(grade);
  });

  it('the resting volts are no cranking voltage: the posts kept them, so nothing was cranked', () => {
    const said = judge(caseOf([rest(12.62), crank(12.58)], { symptoms: ['no-crank-silent'] }));
    expect(said.readings[1]).toMatchObject({ grade: 'noted', code: 'nothing-cranked' });
    expect(said.parts.battery.verdict).not.toBe('keep');
    // amps that turn an engine say that it was
    expect(lastOf([rest(12.62), read('starter-draw', 120), crank(12.55)]).grade).toBe('within');
  });

  it('9.3 V while cranking fails at 21 °C and passes at -7 °C: a cold battery is allowed less', () => {
    expect(lastOf([rest(12.65), crank(9.3)]).grade).toBe('outside');
    expect(lastOf([rest(12.65), crank(9.3)], BALANCED, { celsius: -7 }).grade).toBe('within');
  });

  it('a reading nearer to its limit than its uncertainty is too close to call', () => {
    const close = { ...rest(12.44), uncertainty: 0.05 };
    const graded = lastOf([close]);
    expect(graded.grade).toBe('near');
    expect(graded.because).toMatch(/uncertainty/);
  });

  it('a label without a rating leaves the load test floor, and says what conductance needs', () => {
    const bare: Case['system'] = { nominalVolts: 12, battery: { chemistry: 'flooded' } };
    const graded = lastOf([read('conductance', 500)], BALANCED, { system: bare });
    expect(graded.grade).toBe('noted');
    expect(graded.because).toMatch(/rating/);
  });

  it('12 V limits halve at 6 V and double at 24 V', () => {
    expect(lastOf([rest(25.3), crank(19.6)], BALANCED, { system: of24 }).grade).toBe('within');
    expect(lastOf([rest(25.3), crank(18.6)], BALANCED, { system: of24 }).grade).toBe('outside');
    expect(lastOf([charging(28.2)], BALANCED, { system: of24 }).grade).toBe('within');
    expect(lastOf([charging(7.1)], BALANCED, { system: of6 }).grade).toBe('within');
  });
});

describe('rules of order', () => {
  it('a resting voltage above full is surface charge and void', () => {
    const graded = lastOf([rest(13.1)]);
    expect(graded.grade).toBe('void');
    expect(graded.because).toMatch(/surface charge/i);
  });

  it('a high reading with the surface charge left on is void; a low one is still low', () => {
    expect(lastOf([read('resting-voltage', 12.7, { surfaceChargeRemoved: false })]).grade).toBe('void');
    expect(lastOf([read('resting-voltage', 12.1, { surfaceChargeRemoved: false })]).grade).toBe('outside');
  });

  it('a failed crank under 75 % charge is void; a passed one still counts', () => {
    expect(lastOf([rest(12.2), crank(9.0)]).grade).toBe('void');
    expect(lastOf([rest(12.2), crank(10.4)]).grade).toBe('within');
  });

  it('8.8 V on a fast peak is the inrush, never a failed crank', () => {
    const graded = lastOf([rest(12.65), crank(8.8, 'fast-peak')]);
    expect(graded.grade).toBe('void');
    expect(graded.because).toMatch(/inrush/);
  });

  it('a commanded alternator is judged by its target, and only noted without it', () => {
    expect(lastOf([read('charging-voltage', 12.9, { commandedVolts: 12.8 })], BALANCED, { system: smart }).grade).toBe(
      'within',
    );
    expect(lastOf([read('charging-voltage', 12.9, { commandedVolts: 14.0 })], BALANCED, { system: smart }).grade).toBe(
      'outside',
    );
    expect(lastOf([read('charging-voltage', 12.9)], BALANCED, { system: smart }).grade).toBe('noted');
  });

  it('1261 V is refused as evidence, and 12.61 V named as what was meant', () => {
    const graded = lastOf([rest(1261)]);
    expect(graded.grade).toBe('void');
    expect(graded.because).toContain('12.61');
  });

  it('a drop without current is void when it is small, and an open path when it is the whole battery', () => {
    expect(lastOf([rest(12.6), read('drop-starter-ground', 0.02, { amps: 2 })]).grade).toBe('void');
    expect(lastOf([rest(12.6), read('drop-starter-ground', 12.3, { amps: 0 })]).grade).toBe('outside');
  });

  it('alternator amps at 14 V are what the vehicle asks for, not what it can give', () => {
    const asked = read('alternator-current', 20, { rpm: 2000, systemVolts: 14.1 });
    expect(lastOf([charging(14.1), asked]).grade).toBe('noted');
    const limited = read('alternator-current', 60, { rpm: 2000, systemVolts: 12.6 });
    expect(lastOf([charging(14.1), limited]).grade).toBe('outside');
  });

  it('amps at the ceiling of the clamp are the clamp’s, not the starter’s', () => {
    expect(lastOf([read('starter-draw', 199, { clampCeilingAmps: 200 })]).grade).toBe('void');
  });
});

describe('schools disagree, each for its reason', () => {
  it('a sag to 10.9 V passes the careful school, a sag to 10.7 V only the others', () => {
    const graded = (volts: number, set: CriteriaSet) => lastOf([rest(12.65), crank(volts)], set).grade;
    expect(graded(11.4, CAREFUL)).toBe('within');
    expect(graded(10.7, CAREFUL)).toBe('outside');
    for (const set of [BALANCED, QUICK_CHECK, HEAVY_DUTY]) expect(graded(10.7, set)).toBe('within');
    expect(graded(9.8, QUICK_CHECK)).toBe('outside');
    expect(graded(9.9, BALANCED)).toBe('within');
  });

  it('0.3 V lost at the starter’s ground is a fault to the strict and nothing to the lenient', () => {
    const drop = read('drop-starter-ground', 0.3, { amps: 137 });
    expect(lastOf([rest(12.6), drop], BALANCED).grade).toBe('outside');
    expect(lastOf([rest(12.6), drop], QUICK_CHECK).grade).toBe('within');
  });

  it('side by side, only the readings on which they differ are named', () => {
    const { schools, disagreements } = compareSchools(caseOf([rest(12.65), crank(10.7), charging(14.2), ripple(0.04)]));
    expect(schools.map(({ criteria }) => criteria.id)).toEqual(['balanced', 'quick-check', 'careful', 'heavy-duty']);
    expect(disagreements.map(({ test }) => test)).toEqual(['cranking-voltage']);
    expect(disagreements[0]?.by.map(({ grade }) => grade)).toEqual(['within', 'within', 'outside', 'within']);
  });

  it('every limit of every school names its source and its reason, and its test knows the conditions it asks for', () => {
    for (const { limits } of [BALANCED, QUICK_CHECK, CAREFUL, HEAVY_DUTY])
      for (const limit of limits) {
        expect(limit.source).toMatch(/docs\/criteria\.md/);
        expect(ENGLISH.say(noteOf(limit, 1))).toMatch(/^[A-Z0-9].{15,}\.$/);
      }
  });
});
