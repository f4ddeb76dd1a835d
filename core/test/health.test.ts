/** Health by several ways: two that disagree are told, and a third is asked for. */
import { judge } from '@tetrad/core';
import { caseOf, read, rest } from './cases';

const load = (volts: number) => read('load-test', volts, { amps: 280, seconds: 15, chargedBefore: true });
const health = (...readings: Parameters<typeof caseOf>[0]) => judge(caseOf([rest(12.64), ...readings]));
const third = (said: ReturnType<typeof judge>) => said.next.find(({ test }) => test === 'internal-resistance');

it('two ways far apart ask for a third, and both figures are told', () => {
  const said = health(read('conductance', 250), load(10.6));
  expect(said.decision.action).not.toBe('replace');
  expect(third(said)).toMatchObject({ code: 'ways-disagree' });
  expect(third(said)!.because).toMatch(
    /^45 % of its rating from conductance, 1\d\d % from the load test: measure it a third way/,
  );
});

it('two that agree need no third for that', () => {
  const said = health(read('conductance', 540), load(10.6));
  expect(third(said)?.code).not.toBe('ways-disagree');
});

it('with three the two that agree have it: nothing more is asked of its health', () => {
  for (const ohm of [0.006, 0.016]) {
    const said = health(read('conductance', 250), load(10.6), read('internal-resistance', ohm));
    expect(said.next.map(({ code }) => code)).not.toContain('ways-disagree');
  }
});
