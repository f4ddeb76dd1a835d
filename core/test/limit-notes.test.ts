/** What is told with a reading outside its limit follows the limit, the system and the reader. */
import {
  BALANCED,
  CAREFUL,
  ENGLISH,
  QUICK_CHECK,
  SCHOOLS,
  englishVoice,
  judge,
  messageOf,
  noteOf,
  retell,
} from '@tetrad/core';
import type { Case, CriteriaSet, Limit, Reading } from '@tetrad/core';
import { SOUND_SYSTEM, caseOf, charging, crank, edited, read, rest, ripple } from './cases';

const TRUCK: Case['system'] = { ...SOUND_SYSTEM, nominalVolts: 24 };
const COMMA = englishVoice({ decimal: 'comma', temperature: 'F', smallVolts: 'V' });

const saidOf = (
  reading: Reading,
  set: CriteriaSet = BALANCED,
  system = SOUND_SYSTEM,
  before: readonly Reading[] = [],
) => judge(caseOf([...before, reading], { system }), set).readings.at(-1)!;

describe('the note of a limit', () => {
  it('tells volts of the vehicle’s system', () => {
    expect(saidOf(charging(15.4)).because).toContain('about 10 mV per °C more in the cold. Never above 15.30 V.');
    expect(saidOf(charging(30.8), BALANCED, TRUCK).because).toContain(
      'about 20 mV per °C more in the cold. Never above 30.60 V.',
    );
    expect(saidOf(crank(18.4), BALANCED, TRUCK, [rest(25.2)]).because).toContain('Not below 19.20 V at 21 °C');
    expect(saidOf(crank(21.4), CAREFUL, TRUCK, [rest(25.2)]).because).toContain('Not more than 3.00 V under');
    expect(saidOf(crank(9.8), QUICK_CHECK, SOUND_SYSTEM, [rest(12.65)]).because).toContain('10.00 V while cranking');
  });

  it('tells a fall of two volts for a dead cell in any system: one cell is one cell', () => {
    const standing = (volts: number): Reading => read('hold-charge', volts, { hours: 12, startVolts: volts + 2 });
    expect(saidOf(standing(10.6)).because).toContain('A loss of about 2 V overnight');
    expect(saidOf(standing(23.2), BALANCED, TRUCK).because).toContain('A loss of about 2 V overnight');
  });

  it('is told again with the reader’s figures', () => {
    expect(retell(saidOf(charging(15.4)), COMMA)).toContain(
      'about 0,006 V per °F more in the cold. Never above 15,30 V.',
    );
    expect(retell(saidOf(read('starter-draw', 320)), COMMA)).toContain('about 30 % more at 0 °F');
    expect(retell(saidOf(ripple(0.7)), COMMA)).toContain('Above 0,200 V look for the cause, above 0,50 V stop');
  });

  it('follows a set that is edited', () => {
    const lower = edited(BALANCED, 'charging-voltage', (limit) =>
      limit.rule.kind === 'band' ? { ...limit, rule: { ...limit.rule, ceiling: 14.6 } } : limit,
    );
    expect(saidOf(charging(15.4), lower).because).toContain('Never above 14.60 V.');
    const half = edited(BALANCED, 'resting-voltage', (limit) => ({
      ...limit,
      rule: { kind: 'charge', minShare: 0.5 },
    }));
    expect(saidOf(rest(11.9), half).because).toContain('Below 50 % no load or cranking reading');
  });

  it('may be the shop’s own words', () => {
    const own = edited(BALANCED, 'ripple-ac', (limit) => ({ ...limit, note: { text: 'Ask Tomas.' } }));
    const said = saidOf(ripple(0.7), own);
    expect(said.because).toBe('0.70 V is above its limit, at most 0.50 V. Ask Tomas.');
    expect(said.with).toMatchObject({ note: { code: 'note-own', with: { text: 'Ask Tomas.' } } });
  });

  it('is told as it was written where an earlier version stored its text', () => {
    const said = saidOf(charging(15.4));
    const old = { ...said, with: { ...said.with, note: 'Never above 15.0 V.' } };
    expect(retell(old, COMMA)).toMatch(/13,50 V to 14,84 V\. Never above 15\.0 V\.$/);
  });

  it('fits the kind of its limit in every shipped set, and is refused elsewhere', () => {
    for (const { limits } of SCHOOLS) for (const limit of limits) expect(() => noteOf(limit, 1)).not.toThrow();
    const wrong: Limit = { ...BALANCED.limits[0]!, note: 'note-sag' };
    expect(() => noteOf(wrong, 1)).toThrow('note-sag tells the figures of a limit of kind sag');
  });

  it('does not stand beside a maker’s figure, whose reasons are the maker’s', () => {
    const system: Case['system'] = { ...SOUND_SYSTEM, specified: { chargingVolts: { max: 14.6 } } };
    const said = saidOf(charging(15.4), BALANCED, system);
    expect(said.because).toBe('15.40 V is above its limit, at most 14.60 V (specified).');
    expect(ENGLISH.say(messageOf({ code: said.code!, with: said.with! }))).toBe(said.because);
  });
});

test('what would clear a fault tells the limit, not what was found', () => {
  const cells = read('specific-gravity', [1.265, 1.26, 1.2, 1.262, 1.265, 1.26]);
  expect(saidOf(cells).limit).toBe('at most 0.050 between cells; this is 0.065');
  const { faults } = judge(caseOf([rest(12.62), cells]));
  expect(faults[0]!.wouldChange![0]!.says).toBe('a repeat reading of at most 0.050 between cells would clear it');
});
