/** Makers' figures: found by a vehicle's name, taken over where nothing is filled in, and through a CSV and back. */
import { figureFormat, namedLike } from '@tetrad/core';
import type { System } from '@tetrad/core';
import type { MakerFiguresView } from '@tetrad/contracts';
import { csvOf } from '../src/app/kit/csv';
import { BLANK_DRAFT } from '../src/app/label/system-draft';
import { figureTable, readFigures } from '../src/app/maker-figures/figure-table';
import { specifiedWords } from '../src/app/maker-figures/figure-words';
import { unfilled } from '../src/app/maker-figures/fill-draft';

const system: System = {
  nominalVolts: 24,
  battery: {
    chemistry: 'agm',
    serviceable: false,
    count: 2,
    arrangement: 'series',
    rating: { value: 760, standard: 'EN' },
    capacityAh: 80,
  },
  engine: { cylinders: 4, fuel: 'diesel', displacementLitres: 2.2 },
  alternator: { ratedAmps: 150, regulation: 'commanded' },
  specified: { starterDrawAmps: { min: 180, max: 260 }, crankingVolts: { min: 19.6 }, chargingVolts: { max: 29.2 } },
};
const record = (name: string, of: System = system): MakerFiguresView => ({
  ...{ id: name, name, source: 'manual; p. "12"', system: of, by: 'Ada', at: '2026-03-01T08:00:00Z' },
});

describe('the record that a vehicle’s name speaks of', () => {
  it.each([
    ['Utility van 2.0 diesel', '2.0 diesel'],
    ['utility van 2,0 DIESEL, old', '2.0 diesel'],
    ['Utility van 2.0 diesel 24 V', '2.0 diesel 24 V'],
    ['Utility van 12.0 diesel', null],
    ['Diesel van', null],
    ['', null],
  ])('%s: %s', (name, found) => {
    const known = ['2.0 diesel', '2.0 diesel 24 V', '3.0 petrol', ''].map((one) => record(one));
    expect(namedLike(name, known)?.name ?? null).toBe(found);
  });
});

it('fills in what is empty, and leaves what was typed', () => {
  const typed = { ...BLANK_DRAFT, rating: '640', standard: 'SAE', crankMin: '18.5' } as const;
  const patch = unfilled(typed, system);
  expect(patch).toMatchObject({ nominal: 24, chemistry: 'agm', cylinders: '4', drawMax: '260', chargeMax: '29.2' });
  expect(Object.keys(patch)).not.toEqual(expect.arrayContaining(['rating']));
  expect(patch.crankMin).toBeUndefined();
  expect(unfilled({ ...typed, ...patch }, system)).toEqual({}); // nothing is left to offer
});

it('tells the figures that win over every limit set', () => {
  expect(specifiedWords(system, figureFormat())).toEqual([
    ...['starter 180 A to 260 A', 'cranking at least 19.60 V', 'charging at most 29.20 V', 'alternator 150 A'],
  ]);
});

describe('a table', () => {
  it('comes back as it went, also through quotes and separators', () => {
    const records = [
      record('2.2 diesel'),
      record('1.2 petrol', { nominalVolts: 12, battery: { chemistry: 'flooded' } }),
    ];
    const read = readFigures(csvOf(figureTable(records)));
    expect(read).toEqual({
      ok: true,
      rows: records.map(({ name, source, system: of }) => ({ name, source, system: of })),
    });
  });

  it.each([
    ['name;rating A\n2.0;many', { line: 2, column: 'rating A', found: 'many' }],
    ['name,fuel\n2.0,steam', { line: 2, column: 'fuel', found: 'steam', allowed: 'petrol, diesel' }],
    ['name,system V\n2.0,13', { line: 2, column: 'system V', found: '13' }],
    ['name,colour\n2.0,red', { line: 1, column: 'colour' }],
    ['engine\n2.0', { line: 1, column: 'name' }],
    ['name,fuel\n,diesel', { line: 2, column: 'name', found: 'nothing' }],
    ['name', { line: 1, column: 'name' }],
  ])('%j is refused by line and column', (text, problem) => {
    const read = readFigures(text);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problems[0]).toMatchObject(problem);
  });
});
