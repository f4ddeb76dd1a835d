/** Rounds in the interface: what is due, who checks it, and what is typed of a vehicle understood. */
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { RoundVehicle, RoundView } from '@tetrad/contracts';
import { PLAIN_FIGURES, isClearlySound, judge } from '@tetrad/core';
import type { Case, System } from '@tetrad/core';
import { MessageService } from 'primeng/api';
import { of, throwError } from 'rxjs';
import { Kept } from '../src/app/device/kept';
import { Toasts } from '../src/app/kit/toasts';
import { EMPTY_CHECK, understoodCheck } from '../src/app/rounds/check-draft';
import type { CheckDraft } from '../src/app/rounds/check-draft';
import { findVehicle } from '../src/app/rounds/find-vehicle';
import { dueWords } from '../src/app/rounds/interval-words';
import { Rounds } from '../src/app/screens/rounds/rounds';
import { SessionActions, sessionFeature } from '../src/app/state/session/session.feature';
import { signedIn } from './bench-fixtures';
import { fakeApi } from './fake-api';

const day = (inDays: number): string => new Date(Date.now() + inDays * 86_400_000).toISOString().slice(0, 10);
const due = (id: string, inDays: number, more: Partial<RoundVehicle> = {}): RoundVehicle => ({
  vehicle: { id, name: `Van ${id}`, plate: null, vin: null, year: null, group: 'North', batteryFittedOn: null },
  lastVisit: '2026-01-01T08:00:00Z',
  dueOn: day(inDays),
  by: 'days',
  use: null,
  decision: null,
  system: { nominalVolts: 24, battery: { chemistry: 'agm' } },
  ...more,
});
const rounds = jest.fn();
const roundVehicles = jest.fn();
const kept = new Map<string, unknown>();
const endRound = jest.fn(() => of(undefined));
const putRound = jest.fn(() => of({}));
const say = jest.fn();
const textOf = (element: unknown): string => (element as HTMLElement).textContent!.replace(/\s+/g, ' ');
const press = (root: ParentNode, words: string): void =>
  [...root.querySelectorAll('button')].find((one) => textOf(one).trim() === words)!.click();

const ROUND: RoundView = {
  id: 'r',
  group: 'North',
  everyDays: 90,
  everyKm: null,
  everyHours: null,
  beforeWinter: null,
  assignee: 'Bo',
  vehicles: 2,
  due: 1,
  nextOn: null,
};
async function open(vehicles: readonly RoundVehicle[], role: 'technician' | 'apprentice' = 'technician') {
  roundVehicles.mockReturnValue(of({ rows: vehicles, next: null }));
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path: '**', children: [] }]),
      provideStore(),
      provideState(sessionFeature),
      MessageService,
      {
        provide: Kept,
        useValue: {
          get: (key: string) => Promise.resolve(kept.get(key)),
          put: (key: string, value: unknown) => Promise.resolve(kept.set(key, value)),
        },
      },
      { provide: Toasts, useValue: { say } },
      fakeApi({ listRounds: rounds, listRoundVehicles: roundVehicles, endRound, planRound: putRound as never }),
    ],
  });
  TestBed.inject(Store).dispatch(SessionActions.known({ session: signedIn('Ilse Marrow', role) }));
  const fixture = TestBed.createComponent(Rounds);
  await fixture.whenStable();
  return fixture;
}
beforeEach(() => {
  jest.clearAllMocks();
  kept.clear();
  rounds.mockReturnValue(of([ROUND]));
});

it('says how many are due, and of each since when', async () => {
  const words = textOf((await open([due('a', -12), due('b', 5, { lastVisit: null })])).nativeElement);
  expect(words).toContain('1 of 2');
  expect(words).toMatch(/Van a.*1[123] days ago/);
  expect(words).toMatch(/Van b.*in [456] daysnever/);
});
it('without the server what it told last is shown', async () => {
  await open([due('a', -12)]);
  TestBed.resetTestingModule();
  rounds.mockReturnValue(throwError(() => new Error('away')));
  const fixture = await open([due('a', -12)]);
  await new Promise((resolve) => setTimeout(resolve));
  await fixture.whenStable();
  expect(textOf(fixture.nativeElement)).toContain('1 of 2');
});
it('a round that was ended can be taken back', async () => {
  const fixture = await open([]);
  press(fixture.nativeElement as HTMLElement, 'End it');
  const [said, undo] = say.mock.calls[0] as [string, () => void];
  expect(said).toBe('The round of North is ended.');
  undo();
  expect(putRound).toHaveBeenCalledWith('one', 'r', { group: 'North', everyDays: 90, assignee: 'Bo' });
});
it('is not asked for by whoever may not see it', async () => {
  expect(textOf((await open([], 'apprentice')).nativeElement)).toContain('Technicians, leads and administrators');
  expect(rounds).not.toHaveBeenCalled();
});

it('a plate is found however it is written, a VIN by its end, and never one of several', () => {
  const vehicles = [
    due('a', 0, {
      vehicle: {
        id: 'a',
        name: 'Van',
        plate: 'YD-104',
        vin: 'WVVZZZ1KZAW123456',
        year: null,
        group: null,
        batteryFittedOn: null,
      },
    }),
    due('b', 0, {
      vehicle: {
        id: 'b',
        name: 'Bus',
        plate: 'YD-204',
        vin: 'WVVZZZ1KZAW923456',
        year: null,
        group: null,
        batteryFittedOn: null,
      },
    }),
  ];
  const idOf = (typed: string) => findVehicle(vehicles, typed)?.vehicle.id ?? null;
  expect(['yd104', 'YD 204', '923456', 'bus'].map(idOf)).toEqual(['a', 'b', 'b', 'b']);
  expect(['23456', '456', 'YD', ''].map(idOf)).toEqual([null, null, null, null]);
});

const SYSTEM: System = {
  nominalVolts: 12,
  battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } },
  alternator: { ratedAmps: 110, regulation: 'fixed' },
};
const TYPED: CheckDraft = {
  ...EMPTY_CHECK,
  celsius: '18',
  resting: ['12,66'],
  cranking: '10.7',
  charging: '14.2',
  ripple: '30m',
  terminals: 'clean',
  belt: 'good',
};
const understood = (change: Partial<CheckDraft>, system = SYSTEM) =>
  understoodCheck({ ...TYPED, ...change }, system, { method: 'min-max', isRested: true }, PLAIN_FIGURES, {});
it('what is typed of a vehicle makes a case that the judge finds clearly sound', () => {
  const { readings, seen, celsius, problems } = understood({});
  const subject: Case = {
    format: 'tetrad-case/1',
    system: SYSTEM,
    conditions: { batteryCelsius: celsius! },
    observations: seen.map(({ about, finding }) => ({ about, finding })),
    readings: readings.map(({ reading }) => reading),
  };
  expect(problems).toEqual({});
  expect(readings.map(({ reading }) => reading.value)).toEqual([12.66, 10.7, 14.2, 0.03]);
  expect(isClearlySound(subject, judge(subject))).toBe(true);
});
it('of a pack in series each battery is read by itself', () => {
  const truck: System = { nominalVolts: 24, battery: { chemistry: 'flooded', count: 2, arrangement: 'series' } };
  const { readings } = understood({ resting: ['12.6', '12.5'], cranking: '19', charging: '28', ripple: '' }, truck);
  expect(readings.map(({ reading }) => [reading.battery, reading.value])).toEqual([
    [1, 12.6],
    [2, 12.5],
    [undefined, 19],
    [undefined, 28],
  ]);
});
it.each([
  ['cranking', { cranking: '107' }],
  ['ripple', { ripple: '30 A' }],
  ['km', { km: '12.5' }],
  ['km', { km: '12,000' }],
  ['hours', { hours: '-3' }],
  ['celsius', { celsius: 'cold' }],
] as const)('what cannot be is told at its field: %s', (field, change) => {
  expect(Object.keys(understood(change).problems)).toEqual([field]);
});
it('a due date is told in days of the calendar here', () => {
  const today = new Date(2026, 10, 30, 23, 30);
  expect(dueWords('2026-11-30', today)).toEqual({ words: 'today', isDue: true });
  expect(dueWords('2026-12-01', today)).toEqual({ words: 'in 1 day', isDue: false });
  expect(dueWords(null, today).isDue).toBe(false);
});
