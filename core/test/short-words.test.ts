/** Words for headings, for the customer, and for what does not fit: each says what is meant, and none is missing. */
import fc from 'fast-check';
import {
  FAULT_NAMES,
  allowedWords,
  checkCase,
  customerWords,
  decisionTone,
  decisionWords,
  headline,
  judge,
  simulateCase,
} from '@tetrad/core';
import type { Decision, FaultName, Wanted } from '@tetrad/core';
import { DECISIONS } from '../src/words/en/decided';
import { CAPTURED } from '../src/words/en/captures';
import { ENGLISH, englishVoice } from '../src/words/en/voice';
import { cannot, caseOf, crank, read, rest } from './cases';

const decision = (action: Decision['action'], part: Decision['part'] = null, fault: FaultName | null = null) => ({
  action,
  part,
  fault,
  because: 'The case is cracked.',
});

describe('a decision in a few words', () => {
  it.each([
    [decision('replace', 'battery', 'battery-worn'), 'Replace the battery', 'act'],
    [decision('repair', 'connections', 'cable-starter-ground'), 'Repair the connection', 'act'],
    [decision('repair', 'drain', 'parasitic-drain'), 'Find the drain', 'act'],
    [decision('repair', 'mechanical', 'accessory-seized'), 'Free the engine side', 'act'],
    [decision('charge-first', 'battery', 'battery-discharged'), 'Charge first, then repeat', 'open'],
    [decision('none-found'), 'Nothing found', 'good'],
    [decision('stop'), 'Stop', 'act'],
    [decision('test-next'), 'Not proven yet', 'open'],
    [decision('test-next', null, 'starter-worn'), 'Not proven yet: starter worn?', 'open'],
  ] as const)('%j', (given, words, tone) => {
    expect([decisionWords(given), decisionTone(given)]).toEqual([words, tone]);
  });

  it('after a repair tells what was repaired, what it lost, and what is lost now', () => {
    const post = (value: number, pass?: 'after') => ({
      ...read('drop-negative-post', value, { amps: 160 }),
      ...(pass && { pass }),
    });
    const bad = [rest(12.64), crank(9.1), read('starter-draw', 160), read('conductance', 545), post(1.72)];
    const good = [rest(12.65), crank(10.8), read('starter-draw', 165)].map((one) => ({
      ...one,
      pass: 'after' as const,
    }));
    const { decision: said } = judge(caseOf([...bad, ...good, post(0.014, 'after')]));
    expect(decisionWords(said)).toBe('Repaired: negative post. Lost 1.72 V, now 14 mV');
    expect(headline(said, { ...said, partsFitted: [], solved: null, judged: null }).tone).toBe('good');
  });

  it('a reading that is no drop is named by its test', () => {
    const said = {
      ...decision('repaired', 'alternator', 'alternator-weak'),
      with: { before: read('charging-voltage', 12.4), after: read('charging-voltage', 14.2) },
    };
    expect(decisionWords(said)).toBe('Repaired: alternator. Charging voltage was 12.40 V, now 14.20 V');
  });

  it.each([
    [{ action: 'replace', part: 'battery', partsFitted: ['battery 560 A'], solved: true }, 'Replaced: battery', 'good'],
    [{ action: 'replace', part: 'battery', partsFitted: [], solved: null }, 'Replace the battery', 'act'],
    [{ action: 'repair', part: 'connections', partsFitted: [], solved: true }, 'Repaired: ground between', 'good'],
    [{ action: 'none-found', part: null, partsFitted: [], solved: null }, 'Nothing found', 'good'],
  ] as const)('signed off: %j', (signed, words, tone) => {
    const judged = decision('repair', 'connections', 'cable-starter-ground');
    const head = headline(decision('test-next'), { ...signed, judged });
    expect([head.words.startsWith(words), head.tone]).toEqual([true, tone]);
  });

  it('is a real throw for an action that there is not', () => {
    expect(() => decisionWords(decision('guess' as never))).toThrow('unknown action "guess"');
  });
});

describe('for the customer', () => {
  it('every fault has its own words, without a figure, a unit or a term of the format', () => {
    const told = FAULT_NAMES.map((fault) => customerWords(decision('replace', 'battery', fault)));
    expect(new Set(told).size).toBe(FAULT_NAMES.length);
    for (const words of told) expect(words).not.toMatch(/\d|mV|Ω|drop-|[a-z]-[a-z]+-[a-z]/);
  });

  it('what is not finished is said to be, what must stop says why', () => {
    expect(customerWords(decision('test-next', null, 'starter-worn'))).toContain('no part should be replaced');
    expect(customerWords(decision('stop'))).toBe('The case is cracked.');
    expect(customerWords(decision('charge-first'))).not.toBe(customerWords(decision('none-found')));
  });
});

describe('what is decided', () => {
  it('of whatever vehicle, whatever was read of it, is said in whole sentences with no hole in them', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FAULT_NAMES),
        fc.integer({ min: 1, max: 1e6 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (fault, seed, share) => {
          const subject = simulateCase({ faults: [fault], seed });
          const readings = subject.readings.filter((_, at) => (at * 0.618) % 1 < share);
          const { decision: said, parts, next } = judge({ ...subject, readings });
          const sentences = [
            said.because,
            ...Object.values(parts).map(({ because }) => because),
            ...next.map(({ because }) => because),
          ];
          for (const sentence of sentences) {
            expect(sentence).toMatch(/^[\dA-ZΩ].*[.?]$/s);
            expect(sentence).not.toMatch(/undefined|NaN|null|Infinity|\[object|\s{2}| \./);
          }
        },
      ),
      { numRuns: 150 },
    );
  });

  it('before anything is measured tells a guess in steps of 5 %, and a figure of an instrument as it was set', () => {
    const { decision: said } = judge(caseOf([], { symptoms: ['slow-crank'] }));
    expect(said.because).not.toMatch(/\d*[1-46-9] %/);
    for (const value of [0.013, 0.37, 0.52, 0.98])
      expect(ENGLISH.guess(value)).toMatch(/^(possible|likely), \d*[05] %$/);
    expect([15, 0.02, 0.1234].map((value) => ENGLISH.asGiven(value))).toEqual(['15', '0.02', '0.123']);
  });

  it('names the batteries of a pack, and what goes with the weak one', () => {
    const proven = (weak: number[], arrangement: 'parallel' | 'series') =>
      DECISIONS.proven(
        { fault: 'battery-worn', probability: 0.97, pack: { weak, batteries: weak, arrangement, count: 3 } },
        ENGLISH,
      );
    expect(proven([2], 'parallel')).toContain('It is battery 2. Batteries in parallel are replaced together: all 3.');
    expect(proven([], 'series')).toContain('A pair of the same age is better');
    expect(proven([], 'series')).not.toContain('It is battery');
  });

  it('follows the reader’s decimal mark and degrees', () => {
    const voice = englishVoice({ decimal: 'comma', temperature: 'F', smallVolts: 'V' });
    expect(DECISIONS['may-be-frozen']({ celsius: -20 }, voice)).toContain('At -4 °F');
    expect(DECISIONS['outside-unexplained']({ reading: read('resting-voltage', 12.05) }, voice)).toContain('12,05 V');
  });

  it('says that what could not be tested was not, rather than nothing', () => {
    const { decision: said } = judge(caseOf([rest(12.65), crank(10.9), cannot('load-test', 'no-equipment')]));
    expect(said.action).not.toBe('none-found');
  });
});

describe('what is allowed', () => {
  it.each([
    [{ code: 'number', with: { min: 0, max: 30, unit: 'V' } }, 'a number, at least 0, at most 30 (V)'],
    [{ code: 'number', with: { above: 0, unit: '' } }, 'a number, above 0'],
    [{ code: 'whole-number', with: { min: 1, max: 6 } }, 'a whole number from 1 to 6'],
    [{ code: 'text', with: { min: 1, max: 80 } }, 'text of 1 to 80 characters'],
    [{ code: 'text', with: { min: 0, max: 80 } }, 'text of at most 80 characters'],
    [{ code: 'one-of', with: { words: ['petrol', 'diesel'] } }, 'one of petrol, diesel'],
    [{ code: 'list', with: { min: 6, max: 6 } }, 'a list of 6 to 6 entries'],
    [{ code: 'flag', with: {} }, 'true or false'],
    [{ code: 'null', with: {} }, 'null'],
    [
      { code: 'less-unknown', with: { maxBytes: 65_536 } },
      'at most 65536 characters of fields that the format does not know',
    ],
    [
      { code: 'either', with: { first: { code: 'flag', with: {} }, second: { code: 'null', with: {} } } },
      'true or false, or null',
    ],
  ] as readonly [Wanted, string][])('%j', (wanted, words) => {
    expect(allowedWords(wanted)).toBe(words);
  });

  it('is told of every field of a document that holds nonsense, in words', () => {
    const nonsense = { format: 7, system: { nominalVolts: 13, battery: 'old' }, readings: { a: 1 }, conditions: [] };
    const checked = checkCase(nonsense);
    expect(checked.ok).toBe(false);
    if (checked.ok) return;
    for (const { wanted } of checked.misfits) expect(allowedWords(wanted).length).toBeGreaterThan(3);
    expect(checked.misfits.map(({ path }) => path).sort()).toEqual([
      '$.conditions',
      '$.format',
      '$.readings',
      '$.system.battery',
      '$.system.nominalVolts',
    ]);
  });
});

describe('what a record shows', () => {
  it('is told with its figures and what to do about it', () => {
    expect(CAPTURED['capture-clamp-saturated']({ amps: 600, fromS: 1.02, toS: 1.4 }, ENGLISH)).toMatch(
      /flat at 600 A from 1\.02 s to 1\.40 s.*larger clamp/,
    );
    expect(CAPTURED['capture-clamp-scale']({ factor: 10, amps: 160, volts: 1.4 }, ENGLISH)).toMatch(
      /would be 16\.0 A for 1\.40 V lost.*off by 10\. Read here as 160 A/,
    );
    expect(CAPTURED['capture-clamp-scale']({ factor: 0.1, amps: 160, volts: 1.4 }, ENGLISH)).toMatch(/off by 10\./);
    expect(CAPTURED['capture-volts-clipped']({ volts: 10, side: 'bottom' }, ENGLISH)).toContain('the lowest figure');
    expect(CAPTURED['capture-diode-open']({ missing: 1, humpHz: 1200 })).toContain('200 times a second: open diode');
    expect(CAPTURED['capture-weak-cylinder']({ index: 3, relative: 0.61, of: 4 }, ENGLISH)).toContain(
      'Compression 3 of every 4 takes only 61 %',
    );
  });
});
