/** Readings that settle a thing by themselves: they are graded as what they are, and nothing argues them away. */
import { BALANCED, OBSERVATIONS, isObservationName, judge } from '@tetrad/core';
import type { CriteriaSet, Observation, Reading, TestName } from '@tetrad/core';
import { cannot, caseOf, charging, crank, drop, lastOf, read, rest, ripple, saw } from './cases';

const GOOD = [rest(12.62), crank(10.6), read('starter-draw', 140)];
const saidOf = (readings: readonly Reading[], symptoms: string[] = [], observations: readonly Observation[] = []) =>
  judge(caseOf(readings, { symptoms, observations }));

describe('a path that fails while the current flows', () => {
  it.each([
    ['drop-starter-ground', 0.9],
    ['drop-engine-ground', 0.9],
    ['drop-body-ground', 0.9],
    ['drop-positive-post', 0.5],
    ['drop-negative-post', 0.13],
  ] as const)('%s at %s V: that path is repaired once it is narrowed down, whatever of it is bad', (test, volts) => {
    const { parts, decision } = saidOf([...GOOD, drop(test, volts)]);
    const isDecided = decision.action === 'repair';
    expect(parts.connections).toMatchObject({ verdict: isDecided ? 'repair' : 'not-proven', where: [test] });
    const { missing, again = [] } = parts.connections;
    if (!isDecided) expect(missing.length + again.length).toBeGreaterThan(0);
    expect(parts.connections.because).toMatch(/\d/);
    expect(decision.action).not.toBe('none-found');
  });

  it('is halved before a piece of it is named, and named all the same where halving is not possible', () => {
    const failing = [...GOOD, drop('drop-starter-ground', 0.9)];
    expect(saidOf(failing).decision.action).toBe('test-next');
    expect(['drop-engine-ground', 'drop-negative-post']).toContain(saidOf(failing).next[0]!.test);
    const noAccess = [...failing, cannot('drop-negative-post', 'no-access')];
    expect(saidOf(noAccess).next[0]!.test).toBe('drop-engine-ground');
    const block = drop('drop-engine-ground', 0.85);
    const looked = [saw('terminals', 'clean'), saw('ground-strap', 'sound')];
    expect(saidOf([...noAccess, block], [], looked).next[0]!.test).toBe('drop-body-ground'); // it shares the post
    const { decision } = saidOf([...noAccess, block, cannot('drop-body-ground', 'no-access')], [], looked);
    expect(decision).toMatchObject({ action: 'repair', part: 'connections' });
    expect(decision.because).toContain('no reading tells them apart');
  });

  it('with contacts in it that belong to the starter is no repair of a cable yet', () => {
    const { parts, next } = saidOf([...GOOD, drop('drop-starter-positive', 1.9)]);
    expect(parts.connections.verdict).toBe('not-proven');
    expect(parts.starter.verdict).toBe('not-proven');
    expect(next.map(({ test }) => test)).toEqual(expect.arrayContaining(['drop-positive-post', 'drop-solenoid']));
  });
});

describe('the waveform of the ripple', () => {
  it('with a hump missing is outside its limit, however few volts it has', () => {
    const waveform = (missing: number) => lastOf([read('ripple-waveform', 0.2, { humpsMissing: missing })]);
    expect(waveform(0).grade).toBe('within');
    expect(waveform(1)).toMatchObject({ grade: 'outside', limit: 'no hump of six missing; here 1' });
    expect(lastOf([read('ripple-waveform', 0.2)]).grade).toBe('within');
  });

  it('may miss as many as the set allows', () => {
    const lenient: CriteriaSet = {
      ...BALANCED,
      limits: BALANCED.limits.map((limit) =>
        limit.rule.kind === 'missing-humps' ? { ...limit, rule: { ...limit.rule, most: 1 } } : limit,
      ),
    };
    expect(lastOf([read('ripple-waveform', 0.2, { humpsMissing: 1 })], lenient).grade).toBe('within');
    expect(lastOf([read('ripple-waveform', 0.2, { humpsMissing: 2 })], lenient).limit).toContain(
      'at most 1 hump of six',
    );
  });
});

describe('the static diode check', () => {
  const both = (forward: Reading['value'], reverse: Reading['value']) =>
    saidOf([...GOOD, charging(13.9), read('diode-forward', forward), read('diode-reverse', reverse)], ['goes-flat']);
  const gradesOf = (said: ReturnType<typeof both>) => said.readings.slice(-2).map(({ grade }) => grade);
  const diode = (said: ReturnType<typeof both>) =>
    said.faults.find(({ fault }) => fault === 'alternator-diode')!.probability;

  it('conducts one way only', () => {
    expect(gradesOf(both(0.5, 'OL'))).toEqual(['within', 'within']);
    expect(gradesOf(both(0.5, 0.5))).toEqual(['within', 'outside']);
    expect(gradesOf(both('OL', 'OL'))).toEqual(['outside', 'within']);
  });

  it('that conducts both ways is a short, and conducting forwards does not excuse it', () => {
    expect(diode(both(0.5, 0.5))).toBeGreaterThan(0.7);
    expect(diode(both(0.5, 0.5))).toBeCloseTo(diode(both(null, 0.5)), 2);
    expect(diode(both(0.5, 'OL'))).toBeLessThan(0.1);
    expect(both(0.5, 0.5).decision.action).not.toBe('none-found');
  });
});

test('two volts lost overnight, disconnected, are a dead cell, whatever the battery rested at before', () => {
  const stood = (volts: number) =>
    saidOf([rest(12.65), read('hold-charge', volts, { hours: 12, startVolts: 12.65 })], ['goes-flat']);
  expect(stood(10.6).decision).toMatchObject({ action: 'replace', part: 'battery', fault: 'battery-dead-cell' });
  expect(stood(12.0).faults[0]!.fault).not.toBe('battery-dead-cell');
  expect(stood(12.6).readings.at(-1)!.grade).toBe('within');
});

test('where nothing is charged the belt is looked at, and no ripple, load or drop is read', () => {
  const { next } = saidOf([rest(12.62), charging(12.4)], ['charge-lamp']);
  expect(next[0]!.test).toBe('belt');
  for (const test of ['ripple-ac', 'ripple-waveform', 'charging-voltage', 'drop-charge-positive', 'drop-charge-ground'])
    expect(next.map((step) => step.test)).not.toContain(test);
  const charges = saidOf([rest(12.62), charging(14.1)], ['charge-lamp'], [saw('belt', 'good')]);
  expect(charges.next.map((step) => step.test)).toContain('ripple-ac');
});

test('nothing is charged and the strap is seen to be damaged: it is mended, there is no drop to read', () => {
  const dead = [
    ...GOOD,
    drop('drop-starter-positive', 0.15),
    drop('drop-starter-ground', 0.04),
    charging(12.3),
    read('alternator-stud-voltage', 12.6),
    read('excitation-voltage', 12.4),
  ];
  const looked = [saw('belt', 'good'), saw('ground-strap', 'damaged')];
  expect(saidOf(dead, ['charge-lamp'], looked).decision).toMatchObject({ action: 'repair', part: 'connections' });
  const sound = [saw('belt', 'good'), saw('ground-strap', 'sound')];
  expect(saidOf([...dead, charging(11.8, 'on')], ['charge-lamp'], sound).decision).toMatchObject({
    action: 'replace',
    fault: 'alternator-dead',
  });
});

test('with a voltmeter alone a dead alternator is proven: its excuses need no clamp and no scope', () => {
  const without = (test: TestName): Reading => cannot(test, 'no-equipment');
  const read_ = [rest(12.62), charging(12.2), read('alternator-stud-voltage', 12.6), read('excitation-voltage', 12.4)];
  const lacking = (
    ['alternator-current', 'field-duty', 'conductance', 'internal-resistance', 'load-test'] as const
  ).map(without);
  const looked: Observation[] = [saw('belt', 'good'), saw('ground-strap', 'sound'), saw('terminals', 'clean')];
  let said = saidOf([...read_, ...lacking], ['charge-lamp'], looked);
  const more: Reading[] = [];
  while (said.decision.action === 'test-next' && said.next[0] && more.length + looked.length < 30) {
    const { test } = said.next[0];
    if (isObservationName(test)) looked.push(saw(test, OBSERVATIONS[test].findings[0]!));
    else if (test === 'charging-voltage') more.push(charging(12.2));
    else more.push(test.startsWith('drop-') ? drop(test as TestName, 0.04) : without(test as TestName));
    said = saidOf([...read_, ...lacking, ...more], ['charge-lamp'], looked);
  }
  expect(said.decision).toMatchObject({ action: 'replace', part: 'alternator', fault: 'alternator-dead' });
});

test('a part that failed what it was read for is not said to be unread', () => {
  const dragged = [rest(12.62), crank(10.2), read('starter-draw', 330), read('cranking-speed', 90)];
  const { starter } = saidOf([...dragged, ripple(0.04)], [], [saw('crank-by-hand', 'locked')]).parts;
  expect(starter.verdict).toBe('not-proven');
  expect(starter.because).not.toContain('not read');
});
