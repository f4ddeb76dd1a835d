/** Words apart from meaning: every sentence has a code and its figures, and is set as the reader wants it. */
import {
  ENGLISH,
  FAULT_NAMES,
  OBSERVATIONS,
  OBSERVATION_NAMES,
  STEP_NAMES,
  englishVoice,
  figureFormat,
  judge,
  messageOf,
  phraseTables,
  retell,
  simulateCase,
  stepName,
} from '@tetrad/core';
import type { Judgement, StoredMessage } from '@tetrad/core';
import { caseOf, crank, drop, read, rest, ripple } from './cases';

const COMMA = englishVoice({ decimal: 'comma', temperature: 'F', smallVolts: 'V' });

/** Every sentence of a judgement that has a code beside it. */
function sentencesOf(said: Judgement): readonly ({ because: string } & StoredMessage)[] {
  return [
    ...said.readings,
    ...said.next,
    ...Object.values(said.parts),
    ...(said.batteries ?? []),
    said.decision,
    ...said.faults.flatMap(({ evidence }) => evidence.map(({ says, ...rest_ }) => ({ because: says, ...rest_ }))),
  ];
}

describe('a code', () => {
  it('names one sentence only', () => {
    const codes = phraseTables().flatMap((table) => Object.keys(table));
    expect(codes.filter((code, index) => codes.indexOf(code) !== index)).toEqual([]);
    for (const code of codes) expect(code).toMatch(/^[a-z]+(-[a-z0-9]+)*$/);
  });

  it('and its figures give the very sentence that stands beside them, also after a journey through JSON', () => {
    FAULT_NAMES.forEach((fault, i) => {
      const said = JSON.parse(JSON.stringify(judge(simulateCase({ faults: [fault], seed: 60 + i })))) as Judgement;
      for (const { because, ...stored } of sentencesOf(said)) expect(ENGLISH.say(messageOf(stored))).toBe(because);
      said.cautions.forEach((caution, k) => expect(ENGLISH.say(messageOf(said.cautionCodes[k]!))).toBe(caution));
    });
  });

  it('that nobody knows any more is told in the words it was stored with', () => {
    expect(retell({ because: 'As it was said.', code: 'gone-since', with: {} }, ENGLISH)).toBe('As it was said.');
    expect(retell({ because: 'Older still.' }, ENGLISH)).toBe('Older still.');
    expect(() => ENGLISH.say({ code: 'gone-since', params: {} })).toThrow(/gone-since/);
  });
});

describe('figures', () => {
  it('have a decimal comma, °F and volts where somebody wants them, and nothing else changes', () => {
    const said = judge(caseOf([rest(12.61), crank(9.1), drop('drop-starter-ground', 0.31)], { celsius: 10 }));
    const [, cranking, ground] = said.readings;
    expect(COMMA.say(messageOf(cranking!))).toContain('9,10 V is below its limit, at least 9,40 V at 50 °F');
    expect(COMMA.say(messageOf(ground!))).toContain('0,310 V at 140 A is above its limit');
    expect(ground!.because).toContain('310 mV at 140 A');
  });

  it('keep the trade’s decimals', () => {
    const { quantity, smallVolts, amps, probability, ohms } = figureFormat();
    expect([quantity(12.6, 'V'), smallVolts(0.23), smallVolts(0.5), amps(0.03), amps(8.25), amps(140.4)]).toEqual([
      '12.60 V',
      '230 mV',
      '0.50 V',
      '30 mA',
      '8.3 A',
      '140 A',
    ]);
    expect([probability(0.999), probability(0.004), probability(0.5), ohms(0.0089)]).toEqual([
      'over 99 %',
      'under 1 %',
      '50 %',
      '8.9 mΩ',
    ]);
    expect(smallVolts(-0.00001)).toBe('0 mV');
    expect(smallVolts(-0.0001)).toBe('-0.1 mV');
    expect(smallVolts(0.0004)).toBe('0.4 mV');
    expect(smallVolts(0.0124)).toBe('12 mV');
  });
});

test('no sentence of any judgement holds what a reader cannot read', () => {
  const odd = /undefined|NaN|null|\[object|Infinity| {2}/;
  for (const [i, fault] of FAULT_NAMES.entries()) {
    const said = judge(simulateCase({ faults: [fault], seed: 900 + i, mistakes: 0.2 }));
    for (const { because } of sentencesOf(said)) {
      expect(because).not.toMatch(odd);
      expect(because.length).toBeGreaterThan(3);
    }
  }
});

test('every step and every observation has a name for people', () => {
  for (const step of STEP_NAMES) expect(stepName(step)).toMatch(/^[A-Z]/);
  for (const about of OBSERVATION_NAMES) {
    const { name, asks, findings } = OBSERVATIONS[about];
    expect(name).not.toBe(asks);
    expect(new Set(findings).size).toBe(findings.length);
  }
});

test('what would change the decision is told: the drop that would clear the path', () => {
  const said = judge(
    caseOf([rest(12.6), crank(11), read('starter-draw', 120), drop('drop-starter-ground', 1.9, 120), ripple(0.04)], {
      symptoms: ['slow-crank'],
    }),
  );
  expect(said.faults[0]!.wouldChange!.map(({ says }) => says)).toContain(
    'drop, starter case to battery −: a repeat reading under 200 mV would clear it',
  );
});
