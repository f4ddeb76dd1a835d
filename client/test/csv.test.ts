/** Tables to keep: plain figures for a spreadsheet, and nothing in them that it would run. */
import { TestBed } from '@angular/core/testing';
import { BALANCED, assessCase } from '@tetrad/core';
import type { Case, Reading } from '@tetrad/core';
import { parse } from 'papaparse';
import { csvOf } from '../src/app/kit/csv';
import { CsvFiles } from '../src/app/kit/csv-files';
import * as saving from '../src/app/kit/save-file';
import { Toasts } from '../src/app/kit/toasts';
import { readingsTable } from '../src/app/screens/report/readings-table';
import { jobView } from './outbox-fixtures';

jest.mock('../src/app/kit/save-file', () => ({ saveFile: jest.fn(), saveText: jest.fn() }));

const tableOf = (...readings: Reading[]): Record<string, string>[] => {
  const job = jobView(readings);
  const text = csvOf(readingsTable(job, assessCase(job.case as Case, BALANCED)));
  return parse<Record<string, string>>(text, { header: true }).data;
};

describe('the readings', () => {
  it('are volts and amps whatever the screen shows, with limit, method and who', () => {
    const [row] = tableOf({
      id: 'a',
      test: 'drop-starter-ground',
      value: 0.23,
      conditions: { amps: 150 },
      by: 'Ilse',
      at: '2026-03-02T09:14:00Z',
    });
    expect(row).toMatchObject({
      vehicle: 'Test van',
      test: 'drop-starter-ground',
      value: '0.23',
      unit: 'V',
      grade: 'outside',
      conditions: 'amps 150',
      by: 'Ilse',
      at: '2026-03-02T09:14:00Z',
      pass: 'before',
    });
    expect(row!['limit']).toContain('200 mV');
  });

  it('keep what is void and what could not be done, and say which', () => {
    const rows = tableOf(
      { id: 'a', test: 'resting-voltage', value: 12.6, void: '=lamps, on' },
      { id: 'b', test: 'starter-draw', value: null, notPossible: 'no-equipment' },
      { id: 'c', test: 'specific-gravity', value: [1.265, 1.26, 1.255, 1.265, 1.2, 1.265] },
      { id: 'd', test: 'diode-reverse', value: 'OL' },
    );
    const told = rows.map((row) => [row['value'], row['not possible'], row['void']]);
    expect(told).toEqual([
      ['12.6', '', "'=lamps, on"],
      ['', 'no-equipment', ''],
      ['1.265 1.26 1.255 1.265 1.2 1.265', '', ''],
      ['OL', '', ''],
    ]);
    expect(rows[0]!['grade']).toBe('void');
  });

  it('below nothing stay figures: only text can begin a formula', () => {
    expect(csvOf([{ value: -0.2, note: '-1+1' }])).toBe(`value,note\r\n-0.2,"'-1+1"`);
  });
});

describe('a table', () => {
  const say = jest.fn();
  beforeEach(() => TestBed.configureTestingModule({ providers: [{ provide: Toasts, useValue: { say } }] }));

  it('is kept under its name', async () => {
    await TestBed.inject(CsvFiles).save('people', [{ name: '@Ilse', role: 'lead' }]);
    expect(saving.saveText).toHaveBeenCalledWith('people.csv', 'text/csv', `name,role\r\n"'@Ilse",lead`);
    expect(say).not.toHaveBeenCalled();
  });

  it('whose writer cannot be fetched is told', async () => {
    jest.resetModules();
    jest.doMock('../src/app/kit/csv', () => {
      throw new Error('the server is away');
    });
    await TestBed.inject(CsvFiles).save('people', [{ name: 'Ilse' }]);
    expect(say).toHaveBeenCalledWith(expect.stringContaining('was not exported'));
  });
});
