import { readFileSync } from 'node:fs';
import { isDeepStrictEqual } from 'node:util';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { SCHOOLS, caseShape, checkCase, judge, judgementSchema, misfitWords, readCase, writeCase } from '@tetrad/core';
import { SOUND_SYSTEM, caseOf, charging, crank, rest, ripple } from './cases';

const ajv = addFormats(new Ajv2020({ allErrors: true, strict: false }));
const schemaFits = (schema: object, value: unknown): boolean => ajv.compile({ ...schema, $id: undefined })(value);

describe('tetrad-case/1', () => {
  it('is read, and written back with the fields nobody knows', () => {
    const document = {
      ...caseOf([rest(12.6)]),
      workshopNote: { shelf: 4 },
      system: { ...SOUND_SYSTEM, paint: 'grey' },
    };
    const result = readCase(JSON.stringify(document));
    expect(result.ok).toBe(true);
    if (result.ok) expect(JSON.parse(writeCase(result.value))).toEqual(document);
  });

  it('needs only format, nominal volts, chemistry and readings', () => {
    const least = {
      format: 'tetrad-case/1',
      system: { nominalVolts: 12, battery: { chemistry: 'agm' } },
      readings: [],
    };
    expect(checkCase(least).ok).toBe(true);
  });

  it('refuses with every fault at once, each by its path, what was found and what is allowed', () => {
    const result = checkCase({
      format: 'tetrad-case/1',
      system: { nominalVolts: 13, battery: { chemistry: 'lithium', rating: { value: 0, standard: 'SAE' } } },
      observations: [{ about: 'belt', finding: 'purple' }],
      readings: [
        { id: 'a', test: 'resting-voltage', value: '12.6' },
        { id: 'a', test: 'resting-volts', value: 12.6 },
        { id: 'c', test: 'cranking-voltage', value: null },
        { id: 'd', test: 'cranking-voltage', value: 10, conditions: { method: 'guessed' }, at: 'yesterday' },
      ],
    });
    expect(result.ok).toBe(false);
    if (result.ok) return;
    expect(result.misfits.map(({ path }) => path).sort()).toEqual(
      [
        '$.observations[0].finding',
        '$.readings[0].value',
        '$.readings[1].id',
        '$.readings[1].test',
        '$.readings[2].notPossible',
        '$.readings[3].at',
        '$.readings[3].conditions.method',
        '$.system.battery.chemistry',
        '$.system.battery.rating.value',
        '$.system.nominalVolts',
      ].sort(),
    );
    for (const { found, allowed } of result.misfits.map(misfitWords)) {
      expect(found).not.toBe('');
      expect(allowed).not.toBe('');
    }
  });

  it.each(['', '{', '[]', 'null', '12', '{"format":"other"}'])('refuses %s by name and does not throw', (text) => {
    const result = readCase(text);
    expect(result.ok).toBe(false);
    if (!result.ok) expect(result.misfits[0]?.path).toMatch(/^\$/);
  });

  it.each([
    ['2026-02-28', true],
    ['2024-02-29', true],
    ['2026-02', true],
    ['2026-02-29', false],
    ['2026-02-30', false],
    ['2026-04-31', false],
    ['2026-13', false],
  ])('a day of the calendar is one that there is: %s', (installed, isDay) => {
    const system = { ...SOUND_SYSTEM, battery: { ...SOUND_SYSTEM.battery, installed } };
    expect(checkCase(caseOf([rest(12.6)], { system })).ok).toBe(isDay);
    if (installed.length < 10) return;
    const reading = { ...rest(12.6), at: `${installed}T09:00:00Z` };
    expect(checkCase(caseOf([reading])).ok).toBe(isDay);
  });

  it('takes the extremes of a window beside a sustained figure, as numbers', () => {
    const withExtremes = (lowest: unknown, highest: unknown) =>
      checkCase({ ...caseOf([]), readings: [{ ...crank(10.2), id: 'x', lowest, highest }] });
    expect(withExtremes(9.1, 10.4).ok).toBe(true);
    const refused = withExtremes('low', 10.4);
    expect(refused.ok ? [] : refused.misfits.map(({ path }) => path)).toEqual(['$.readings[0].lowest']);
  });

  it('takes "OL" for a diode and a list for gravity, and nothing else', () => {
    const withReading = (test: string, value: unknown) =>
      checkCase({ ...caseOf([]), readings: [{ id: 'x', test, value }] }).ok;
    expect(withReading('diode-reverse', 'OL')).toBe(true);
    expect(withReading('resting-voltage', 'OL')).toBe(false);
    expect(withReading('specific-gravity', [1.26, 1.27])).toBe(true);
    expect(withReading('specific-gravity', 1.26)).toBe(false);
    expect(withReading('resting-voltage', Number.NaN)).toBe(false);
  });
});

describe('the published schemas', () => {
  it.each([
    ['tetrad-case-1', caseShape.schema],
    ['tetrad-judgement-1', judgementSchema],
  ])('%s is the one the core checks by', (name, schema) => {
    const published: unknown = JSON.parse(readFileSync(`docs/schemas/${name}.schema.json`, 'utf8'));
    const isAsChecked = isDeepStrictEqual(published, JSON.parse(JSON.stringify(schema)));
    expect(isAsChecked ? '' : `${name}.schema.json is stale: run npm run derive`).toBe('');
  });

  it('agree with the core on good and bad cases', () => {
    const good = caseOf([rest(12.6), crank(10.2), charging(14.1), ripple(0.04)]);
    const bad = [
      { ...good, format: 'tetrad-case/2' },
      { ...good, system: { nominalVolts: 12, battery: {} } },
      { ...good, readings: [{ id: 'x', test: 'resting-voltage', value: 'full' }] },
      { ...good, readings: [{ id: 'x', test: 'cranking-voltage', value: null }] },
    ];
    expect(schemaFits(caseShape.schema, good)).toBe(true);
    for (const document of bad) {
      expect(schemaFits(caseShape.schema, document)).toBe(false);
      expect(checkCase(document).ok).toBe(false);
    }
  });

  it('fit every judgement, by every school', () => {
    const subject = caseOf([rest(12.6), crank(8.4), charging(13.1), ripple(0.6), rest(12.58)]);
    for (const school of SCHOOLS)
      expect(schemaFits(judgementSchema, JSON.parse(JSON.stringify(judge(subject, school))))).toBe(true);
  });
});
