/** Vehicles over time in the interface: found, followed, moved, and honest where little is known. */
import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { HistoryVisit, ImportVehicles, MoveJobs, VehicleView } from '@tetrad/contracts';
import type { System } from '@tetrad/core';
import { MessageService } from 'primeng/api';
import { of, throwError } from 'rxjs';
import { Toasts } from '../src/app/kit/toasts';
import { ImportDialog } from '../src/app/screens/vehicles/import-dialog';
import { TripBalance } from '../src/app/screens/vehicles/trip-balance';
import { VehicleList } from '../src/app/screens/vehicles/vehicle-list';
import { VehiclePage } from '../src/app/screens/vehicles/vehicle-page';
import { SessionActions, sessionFeature } from '../src/app/state/session/session.feature';
import { isoDate, stylesOf } from '../src/app/vehicles/date-style';
import { guessMapping, mappedRows, readTable } from '../src/app/vehicles/vehicle-table';
import type { BroughtTable } from '../src/app/vehicles/vehicle-table';
import { signedIn } from './bench-fixtures';
import { fakeApi } from './fake-api';

jest.mock('chart.js', () => ({
  Chart: class {
    static readonly register: () => void = () => undefined;
    destroy = () => undefined;
  },
}));
jest.mock('chartjs-plugin-annotation', () => ({}));

const system: System = {
  nominalVolts: 12,
  engine: { cylinders: 4, fuel: 'petrol', displacementLitres: 1.6 },
  battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } },
};
const vehicle = (id: string, name: string): VehicleView => ({
  id,
  name,
  plate: id,
  vin: null,
  year: null,
  group: null,
  batteryFittedOn: null,
});
const visit = (day: number, health: number, more: Partial<HistoryVisit> = {}): HistoryVisit => ({
  job: `j${day}`,
  openedAt: new Date(Date.parse('2022-01-01T08:00:00Z') + day * 86_400_000).toISOString(),
  status: 'closed',
  symptoms: ['slow-crank'],
  decision: null,
  signOff: null,
  outcome: null,
  profile: null,
  system,
  measures: { before: [{ series: 'health-conductance', value: health, spread: 0.03 }], after: null },
  ...more,
});
const history = jest.fn();
const moveJobs = jest.fn();
const undoMove = jest.fn();
const vehiclePage = jest.fn();
const say = jest.fn();
const importVehicles = jest.fn();
const undoVehicleImport = jest.fn(() => of({ id: 'i', vehicles: 2 }));

beforeEach(() => {
  jest.clearAllMocks();
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path: '**', children: [] }]),
      provideStore(),
      provideState(sessionFeature),
      MessageService,
      { provide: Toasts, useValue: { say } },
      fakeApi({
        getKind: () => of({ bands: [] }),
        listVehicleCaptures: () => of([]),
        getVehicle: (_shop, id) =>
          id === 'none'
            ? throwError(() => new HttpErrorResponse({ status: 404 }))
            : of(vehicle(String(id), 'Quay van')),
        listVehicles: (_shop, query) =>
          query?.limit === undefined
            ? of({ rows: [vehicle('a', 'Quay van'), vehicle('b', 'Quay van, again')], next: null })
            : vehiclePage(query),
        nextPage: vehiclePage,
        getHistory: history,
        moveJobs,
        undoMove,
        importVehicles,
        undoImport: undoVehicleImport,
      }),
    ],
  });
  TestBed.inject(Store).dispatch(SessionActions.known({ session: signedIn() }));
});
const textOf = (element: unknown): string => (element as HTMLElement).textContent!.replace(/\s+/g, ' ');
async function open(id: string, visits: readonly HistoryVisit[]) {
  history.mockReturnValue(of(visits));
  const fixture = TestBed.createComponent(VehiclePage);
  fixture.componentRef.setInput('id', id);
  await fixture.whenStable();
  return fixture;
}
const press = (root: ParentNode, words: string): void =>
  [...root.querySelectorAll('button')].find((one) => textOf(one).trim().startsWith(words))!.click();

describe('the list', () => {
  it('reads page by page, and a search begins anew', async () => {
    vehiclePage
      .mockReturnValueOnce(of({ rows: [vehicle('a', 'Quay van')], next: '/next' }))
      .mockReturnValueOnce(of({ rows: [vehicle('b', 'Dock crane')], next: null }));
    const fixture = TestBed.createComponent(VehicleList);
    await fixture.whenStable();
    press(fixture.nativeElement as HTMLElement, 'Load more');
    await fixture.whenStable();
    expect(textOf(fixture.nativeElement)).toMatch(/Quay van.*Dock crane/);
    expect(vehiclePage.mock.calls).toEqual([[{ limit: 30 }], ['/next']]);
    expect(textOf(fixture.nativeElement)).not.toContain('Load more');
  });
  it('that cannot be loaded says so, and can be tried again', async () => {
    vehiclePage
      .mockReturnValueOnce(throwError(() => new Error('away')))
      .mockReturnValueOnce(of({ rows: [], next: null }));
    const fixture = TestBed.createComponent(VehicleList);
    await fixture.whenStable();
    expect(textOf(fixture.nativeElement)).toContain('could not be loaded');
    press(fixture.nativeElement as HTMLElement, 'Try again');
    await fixture.whenStable();
    expect(textOf(fixture.nativeElement)).toContain('No vehicles yet');
  });
});

describe('a vehicle', () => {
  it('says when its battery reaches the limit, as a band of months', async () => {
    const even = [0, 120, 240, 360, 480, 600].map((day) => visit(day, 1 - 0.0003 * day));
    expect(textOf((await open('a', even)).nativeElement)).toMatch(/70 %: \w+ 202\d to \w+ 202\d/);
  });
  it('says nothing of the future from two visits, nor across a new battery', async () => {
    const fitted = visit(300, 0.8, {
      signOff: { action: 'repaired', part: 'battery', partsFitted: [], by: 'Bo' } as unknown as HistoryVisit['signOff'],
    });
    const words = textOf(
      (await open('a', [visit(0, 1), visit(150, 0.9), fitted, visit(400, 1), visit(500, 0.97)])).nativeElement,
    );
    expect(words).toContain('70 %: nothing can be said yet');
    expect(words).toContain('fitted by Bo');
  });
  it('that is none says so', async () => {
    expect(textOf((await open('none', [])).nativeElement)).toContain('There is no such vehicle');
  });
  it('is merged with another record, and what was done can be undone', async () => {
    moveJobs.mockReturnValue(of({ id: 'm', moved: 2 }));
    undoMove.mockReturnValue(of({ moved: 2 }));
    const fixture = await open('a', [visit(0, 1)]);
    press(fixture.nativeElement as HTMLElement, 'Merge with another record');
    await fixture.whenStable();
    const search = document.querySelector<HTMLInputElement>('input[type=search]')!;
    search.value = 'quay';
    search.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    const offered = [...document.querySelectorAll('.kit-dialog li, tt-move-dialog li')].map(textOf);
    expect(offered.join()).toContain('again');
    expect(offered).toHaveLength(1); // never itself
    press(document, 'Quay van, again');
    await fixture.whenStable();
    const [, from, body] = moveJobs.mock.calls[0] as [string, string, MoveJobs];
    expect([from, body.to, body.jobs]).toEqual(['a', 'b', undefined]);
    const [said, undo] = say.mock.calls[0] as [string, () => void];
    expect(said).toBe('2 jobs moved to Quay van, again.');
    undo();
    expect(undoMove).toHaveBeenCalledWith('one', body.id);
  });
});

it('short trips tell minutes and days by what is assumed, and what was not read', async () => {
  const fixture = TestBed.createComponent(TripBalance);
  fixture.componentRef.setInput('system', system);
  fixture.componentRef.setInput('measures', [{ series: 'starter-draw', value: 150, spread: 5 }]);
  await fixture.whenStable();
  expect(textOf(fixture.nativeElement)).toMatch(/keeps it charged\s*\d+ min a day/);
  expect(textOf(fixture.nativeElement)).toContain('the drain was not read');
});

describe('a table that is brought in', () => {
  const csv = 'Registration;Vehicle;VIN;Build year;Depot\r\nYD-1;"Van; long";;2019;North\r\n;Crane;;old;\r\n\r\n';

  it('is read with its separator and quotes, and its columns are recognized by their usual names', () => {
    const table = readTable(csv, 'fleet.csv') as BroughtTable;
    expect(guessMapping(table)).toEqual({
      name: 'Vehicle',
      plate: 'Registration',
      vin: 'VIN',
      year: 'Build year',
      group: 'Depot',
      batteryFittedOn: null,
    });
    expect(mappedRows(table, guessMapping(table), null)).toEqual([
      { name: 'Van; long', plate: 'YD-1', year: 2019, group: 'North' },
      { name: 'Crane', year: 'old' }, // refused by its row, never dropped in silence
    ]);
  });
  it('reads dates by one style in the whole column, and never guesses day and month', () => {
    expect(stylesOf(['2026-03-31', '2025-12-01'])).toEqual(['iso']);
    expect(stylesOf(['31.3.2026'])).toEqual(['day-dots']);
    expect(stylesOf(['03/04/2026', '11/12/2025'])).toEqual(['day-first', 'month-first']);
    expect(stylesOf(['03/04/2026', '31/12/2025'])).toEqual(['day-first']);
    expect(stylesOf(['31/12/2025', '12/31/2025'])).toEqual([]);
    expect(isoDate('04/03/2026', 'day-first')).toBe('2026-03-04');
    expect([isoDate('29.2.2026', 'day-dots'), isoDate('1.1.26', 'day-dots')]).toEqual([null, null]);
  });
  it('asks how dates are written where that cannot be told, and refuses a mixture', async () => {
    const open = async (csv: string) => {
      const fixture = TestBed.createComponent(ImportDialog);
      fixture.componentRef.setInput('table', readTable(csv, 'a.csv'));
      await fixture.whenStable();
      return fixture;
    };
    const either = await open('Name,Battery fitted\nVan,03/04/2026\n');
    expect(textOf(document.body)).toContain('Its dates are');
    const button = [...document.querySelectorAll('button')].find((one) => textOf(one).trim() === 'Show what changes')!;
    expect(button.disabled).toBe(true);
    either.destroy();
    await open('Name,Battery fitted\nVan,31/12/2025\nCar,12/31/2025\n');
    press(document, 'Show what changes');
    TestBed.tick();
    expect(textOf(document.body)).toContain('found “31/12/2025” and “12/31/2025”; allowed is one style');
    expect(importVehicles).not.toHaveBeenCalled();
  });
  it('may be JSON; what is neither says why', () => {
    expect(readTable('[{"name":"Van","year":2020}]', 'a.json')).toMatchObject({ columns: ['name', 'year'] });
    expect(readTable('{', 'a.json')).toBe('It is not JSON.');
    expect(readTable('[]', 'a.json')).toBe('It is not a list of vehicles.');
    expect(readTable('name\n', 'a.csv')).toContain('It has no rows');
    expect(readTable('name,plate\nVan,YD-1\nPlough, 24 V,YD-2\n', 'a.csv')).toContain('Row 2 has more fields');
  });
  it('is shown before it is stored; problems are named by row and field; what was stored can be undone', async () => {
    const fixture = TestBed.createComponent(ImportDialog);
    fixture.componentRef.setInput('table', readTable('Name,Plate\nVan,YD-1\nCar,YD-1\n', 'a.csv'));
    await fixture.whenStable();
    const errors = [{ field: 'rows[1].plate', found: 'YD-1, as in row 1', allowed: 'each once' }];
    importVehicles.mockReturnValueOnce(
      throwError(() => new HttpErrorResponse({ status: 422, error: { title: 'misfit', detail: 'no', errors } })),
    );
    press(document, 'Show what changes');
    await fixture.whenStable();
    expect(textOf(document.body)).toContain('Row 2, Plate: found YD-1, as in row 1; allowed is each once');
    const rows = [
      { what: 'new', vehicle: null, changes: {}, doubt: null },
      { what: 'changed', vehicle: 'a', changes: { plate: ['YD-9', 'YD-1'] }, doubt: null },
    ];
    importVehicles.mockImplementation((_shop: string, { id, isApplied }: ImportVehicles) =>
      of({ id, isApplied, rows }),
    );
    press(document, 'Show what changes');
    await fixture.whenStable();
    expect(textOf(document.body)).toContain('1 new, 1 changed, 0 unchanged.');
    expect(textOf(document.body)).toContain('Plate: YD-9 → YD-1');
    press(document, 'Import 2');
    await fixture.whenStable();
    const [said, undo] = say.mock.calls[0] as [string, () => void];
    expect(said).toContain('Imported: 1 new');
    undo();
    expect(undoVehicleImport).toHaveBeenCalledWith('one', expect.any(String));
  });
});
