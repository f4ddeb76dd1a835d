/** Void is known to everybody: no later stage can see a void reading as valid, and instruments are doubted as a whole. */
import { ENGLISH, blockedSteps, derive, halvePath, judge, repeatsOf, solvePaths, survey } from '@tetrad/core';
import type { Case, Reading, GradedCase } from '@tetrad/core';
import { SOUND_SYSTEM, caseOf, charging, crank, drop, lastOf, read, rest, ripple, saw } from './cases';

const situationOf = (readings: readonly Reading[], more: Parameters<typeof caseOf>[1] = {}): GradedCase =>
  survey(caseOf(readings, more)).gradedCase;

const pathsOf = (readings: readonly Reading[]) => solvePaths(situationOf(readings));
/** A later stage, given a case that was never graded. */
const judgeUngraded = (ungraded: GradedCase) => derive(ungraded);

describe('what leans on a graded case', () => {
  it('cannot be given a case: a graded case is had from the survey alone', () => {
    const subject: Case = caseOf([rest(12.65)]);
    // @ts-expect-error -- a case is no graded case
    expect(() => blockedSteps(subject, ['load-test'])).toThrow();
    // @ts-expect-error -- nor is a case whose readings nobody has graded
    const ungraded: GradedCase = { ...situationOf([rest(12.65), read('conductance', 400)]), grades: undefined };
    expect(() => judgeUngraded(ungraded)).toThrow();
  });

  it('blocks by valid readings only: a void resting voltage is none', () => {
    const blocked = blockedSteps(situationOf([rest(13.6)]), ['cranking-voltage']);
    expect(blocked.get('cranking-voltage')!.first).toBe('resting-voltage');
  });

  it('names the minimum of the set that bars a step', () => {
    const careful = survey(caseOf([rest(12.4)]), { ...survey(caseOf([])).gradedCase.criteria, minimumCharge: 0.9 });
    const first = blockedSteps(careful.gradedCase, ['load-test']).get('load-test')!;
    expect(ENGLISH.say(first.because)).toBe('The battery is below 90 %: charge it first.');
  });

  it('halves by valid readings only', () => {
    const whole = drop('drop-starter-positive', 1.9, 160);
    expect(halvePath(pathsOf([rest(12.6), whole]), 'drop-starter-positive')).not.toBeNull();
    expect(
      halvePath(pathsOf([rest(12.6), { ...whole, conditions: { amps: 4 }, value: 0.002 }]), 'drop-starter-positive'),
    ).toBeNull();
  });

  it('does not say of a void reading after the repair that it is solved', () => {
    const after = { pass: 'after' } as const;
    const subject = caseOf([
      rest(12.6),
      charging(12.9),
      read('resting-voltage', 12.65, { surfaceChargeRemoved: true }, after),
      read('charging-voltage', 13.4, { loads: 'off' }, { ...after, void: 'belt was off' }),
      read('ripple-ac', 14, {}, after),
    ]);
    const { comparison } = judge(subject);
    expect(comparison!.find(({ test }) => test === 'charging-voltage')).toMatchObject({ after: null, solved: false });
    expect(comparison!.find(({ test }) => test === 'ripple-ac')).toBeUndefined();
    expect(repeatsOf(survey(subject)).find(({ test }) => test === 'charging-voltage')!.after).toBeNull();
  });

  it('keeps the passes apart: what was void before the repair is not asked for again', () => {
    const subject = caseOf([rest(12.6), crank(8.8, 'fast-peak'), read('resting-voltage', 12.6, {}, { pass: 'after' })]);
    expect(repeatsOf(survey(subject)).map(({ test }) => test)).toEqual(['resting-voltage']);
  });
});

describe('an instrument that is doubted', () => {
  const readings = [rest(12.65), crank(8.2), read('starter-draw', 150), charging(14.2), ripple(0.9)];
  const gradesWith = (about: Parameters<typeof saw>[0], finding: string) =>
    survey(caseOf(readings, { observations: [saw(about, finding)] })).assessments.map(({ grade }) => grade);

  it('with jumping leads: every voltage of it', () => {
    expect(gradesWith('meter-leads', 'jumping')).toEqual(['void', 'void', 'within', 'void', 'void']);
    expect(gradesWith('meter-leads', 'steady')).not.toContain('void');
  });
  it('with an AC range that sees DC: its ripple', () => {
    expect(gradesWith('meter-ac', 'passes-dc')).toEqual(['within', 'outside', 'within', 'within', 'void']);
  });
  it('with a clamp that drifts: its currents', () => {
    expect(gradesWith('clamp-zero', 'drifts')[2]).toBe('void');
    expect(gradesWith('clamp-zero', 'zeroed')[2]).toBe('within');
  });
  it('is looked at again, and the newest look counts', () => {
    const observations = [saw('meter-leads', 'jumping'), saw('meter-leads', 'steady')];
    expect(survey(caseOf(readings, { observations })).assessments[0]!.grade).toBe('within');
  });
});

describe('surface charge', () => {
  it.each([
    ['flooded', 12.86, 'within'],
    ['flooded', 12.94, 'within'],
    ['flooded', 13.1, 'void'],
    ['agm', 13.1, 'within'],
    ['agm', 13.3, 'void'],
  ] as const)('a %s battery that settled at %d V is %s', (chemistry, volts, grade) => {
    const system = { ...SOUND_SYSTEM, battery: { ...SOUND_SYSTEM.battery, chemistry } };
    expect(lastOf([rest(volts)], undefined, { system }).grade).toBe(grade);
  });

  it('a little of it is noticed, and the battery counts as full', () => {
    expect(lastOf([rest(12.9)]).because).toContain('a little surface charge may be left');
    expect(judge(caseOf([rest(12.9)])).derived.stateOfCharge).toBe(1);
  });

  it('read within ten minutes of charging, with nothing done, says nothing of a full battery', () => {
    expect(lastOf([read('resting-voltage', 12.7, { minutesSinceCharge: 4 })]).grade).toBe('void');
    expect(lastOf([read('resting-voltage', 12.7, { minutesSinceCharge: 4, surfaceChargeRemoved: true })]).grade).toBe(
      'within',
    );
  });
});

describe('freezing', () => {
  const cold = (volts: number, celsius: number, observations: Parameters<typeof caseOf>[1] = {}) =>
    judge(caseOf([rest(volts)], { celsius, ...observations })).decision;
  it('an empty battery in hard frost may be frozen: stop, until somebody has looked', () => {
    expect(cold(11.9, -12)).toMatchObject({ action: 'stop', part: null });
    expect(cold(12.7, -12).action).not.toBe('stop');
    expect(cold(11.9, -12, { observations: [saw('battery-case', 'sound')] }).action).toBe('charge-first');
  });
  it('a frozen one is never tested, charged or jumped; a cracked one must go', () => {
    const frozen = judge(caseOf([], { observations: [saw('battery-case', 'frozen')] }));
    expect(frozen.decision.because).toContain('never test, charge or jump it');
    expect(frozen.next).toEqual([]);
    expect(frozen.cautionCodes[0]!.code).toBe('case-frozen');
  });
});

test('a module’s voltage with its difference is told as the voltage at the post', () => {
  expect(lastOf([read('module-voltage', 12.4, { offsetVolts: 0.15 })]).because).toBe(
    '12.40 V at the module is 12.55 V at the post.',
  );
  const said = judge(
    caseOf([rest(12.65), read('module-voltage', 11.9, { offsetVolts: 0.7 })], { symptoms: ['dim-at-idle'] }),
  );
  const body = said.faults.find(({ fault }) => fault === 'ground-body')!;
  expect(body.evidence.map(({ says }) => says)).toContain('0.70 V are lost between post and module');
});
