/** The floor comes page by page, is kept for the time without the server, and follows what changes row by row. */
import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { FloorRow } from '@tetrad/contracts';
import { map, of, Subject, throwError } from 'rxjs';
import type { Observable } from 'rxjs';
import { Kept } from '../src/app/device/kept';
import type { Api } from '../src/app/api/api';
import * as streams from '../src/app/api/event-stream';
import { FloorEffects } from '../src/app/state/floor/floor.effects';
import { FloorActions, floorFeature, selectFloor, selectRows } from '../src/app/state/floor/floor.feature';
import { SessionActions, sessionFeature } from '../src/app/state/session/session.feature';
import { signedIn } from './bench-fixtures';
import { fakeApi } from './fake-api';

jest.mock('../src/app/api/event-stream', () => ({ eventStream: jest.fn() }));
const row = (id: string, readings = 0): FloorRow => ({ id, readings, status: 'open' }) as FloorRow;
let kept: Map<string, unknown>;
let news: Subject<{ job: string | null }>;
let pages: Record<string, () => Observable<{ rows: readonly FloorRow[]; next: string | null }>>;
const floorRows = jest.fn();
const floorFound = jest.fn();
let asked: (string | null)[];

beforeEach(() => {
  jest.useFakeTimers();
  kept = new Map();
  news = new Subject();
  asked = [];
  floorRows.mockReset();
  floorFound.mockReset();
  jest.mocked(streams.eventStream).mockReturnValue(news as never);
  const pageOf = (rows: Observable<readonly FloorRow[]>) => rows.pipe(map((all) => ({ rows: all, next: null })));
  const api: Partial<Api> = {
    listJobs: (_shop, query) => {
      if (query?.ids) return pageOf(floorRows(query));
      if (query?.find !== undefined) return pageOf(floorFound(query));
      asked.push(null);
      return pages['first']!();
    },
    nextPage: ((at: string) => {
      asked.push(at);
      return pages[at]!();
    }) as Api['nextPage'],
  };
  TestBed.configureTestingModule({
    providers: [
      provideStore(),
      provideState(sessionFeature),
      provideState(floorFeature),
      provideEffects(FloorEffects),
      fakeApi(api),
      {
        provide: Kept,
        useValue: {
          get: (key: string) => Promise.resolve(kept.get(key)),
          put: (key: string, value: unknown) => Promise.resolve(kept.set(key, value)),
        },
      },
    ],
  });
  TestBed.inject(Store).dispatch(SessionActions.known({ session: signedIn() }));
});
afterEach(() => jest.useRealTimers());

async function open(): Promise<void> {
  TestBed.inject(Store).dispatch(FloorActions.load({ status: 'open' }));
  await jest.advanceTimersByTimeAsync(1);
}
const floor = () => TestBed.inject(Store).selectSignal(selectFloor)();
const rows = (): readonly FloorRow[] => TestBed.inject(Store).selectSignal(selectRows)();
const ids = (): string[] => rows().map(({ id }) => id);
const TWO_PAGES = {
  first: () => of({ rows: [row('a'), row('b')], next: '/next' }),
  '/next': () => of({ rows: [row('c')], next: null }),
};

it('is shown from its first page on and whole with its last, and then kept on the device', async () => {
  const second = new Subject<{ rows: readonly FloorRow[]; next: null }>();
  pages = { ...TWO_PAGES, '/next': () => second };
  await open();
  expect(ids()).toEqual(['a', 'b']);
  expect(kept.size).toBe(0);
  second.next({ rows: [row('c')], next: null });
  second.complete();
  await jest.advanceTimersByTimeAsync(1);
  expect(ids()).toEqual(['a', 'b', 'c']);
  expect(asked).toEqual([null, '/next']);
  expect([...kept.keys()]).toEqual(['floor page one open']);
});

it('without the server shows what it had last, and says that it is away', async () => {
  kept.set('floor page one open', { rows: [row('a'), row('z')], next: null, isLast: true });
  pages = { first: () => throwError(() => new HttpErrorResponse({ status: 0 })) };
  await open();
  expect(ids()).toEqual(['a', 'z']);
  expect(floor().loading.state).toBe('failed');
});

it('asks once for jobs that change together, each by its own row', async () => {
  pages = TWO_PAGES;
  await open();
  floorRows.mockReturnValue(of([row('b', 7)]));
  for (const job of ['b', 'b', 'c']) news.next({ job });
  await jest.advanceTimersByTimeAsync(300);
  expect(floorRows.mock.calls).toEqual([[{ ids: ['b', 'c'] }]]);
  expect(rows().find(({ id }) => id === 'b')!.readings).toBe(7);
  expect(ids()).not.toContain('c'); // it is no longer among those that may be seen
});

it('reads the floor anew where news may have been missed, or too many jobs changed at once', async () => {
  pages = TWO_PAGES;
  await open();
  news.next({ job: null });
  await jest.advanceTimersByTimeAsync(300);
  expect(asked).toEqual([null, '/next', null, '/next']);
  for (let i = 0; i < 70; i++) news.next({ job: `j${i}` });
  await jest.advanceTimersByTimeAsync(300);
  expect(asked).toHaveLength(6);
  expect(floorRows).not.toHaveBeenCalled();
});

it('reads it anew where the rows could not be had', async () => {
  pages = TWO_PAGES;
  await open();
  floorRows.mockReturnValue(throwError(() => new HttpErrorResponse({ status: 503 })));
  news.next({ job: 'a' });
  await jest.advanceTimersByTimeAsync(300);
  expect(asked).toEqual([null, '/next', null, '/next']);
});

it('listens only while somebody looks at it', async () => {
  pages = TWO_PAGES;
  await open();
  expect(news.observed).toBe(true);
  TestBed.inject(Store).dispatch(FloorActions.left());
  expect(news.observed).toBe(false);
});

describe('a floor of thousands', () => {
  const many = (from: number, count: number): FloorRow[] =>
    Array.from({ length: count }, (_, i) => row(`r${from + i}`));
  beforeEach(() => {
    pages = {
      first: () => of({ rows: many(0, 700), next: '/2' }),
      '/2': () => of({ rows: many(700, 700), next: '/3' }),
      '/3': () => of({ rows: many(1400, 700), next: '/4' }),
      '/4': () => of({ rows: many(2100, 100), next: null }),
    };
  });
  const seek = async (words: string): Promise<void> => {
    TestBed.inject(Store).dispatch(FloorActions.sought({ words }));
    await jest.advanceTimersByTimeAsync(300);
  };

  it('is loaded as far as is useful, told to go on, kept on the device, and loaded on when that is wanted', async () => {
    await open();
    expect([ids().length, floor().rest, asked]).toEqual([1400, '/3', [null, '/2']]);
    expect((kept.get('floor page one open') as { rows: unknown[] }).rows.length).toBe(1400);
    TestBed.inject(Store).dispatch(FloorActions.moreWanted());
    await jest.advanceTimersByTimeAsync(1);
    expect([ids().length, floor().rest]).toEqual([2200, null]);
  });

  it('is searched by the server too, once somebody has stopped typing', async () => {
    floorFound.mockReturnValue(of([row('far away')]));
    await open();
    for (const words of ['v', 'va', 'van ']) TestBed.inject(Store).dispatch(FloorActions.sought({ words }));
    await jest.advanceTimersByTimeAsync(300);
    expect(floorFound.mock.calls).toEqual([[expect.objectContaining({ status: 'open', find: 'van' })]]);
    expect(ids()).toContain('far away');
    await seek(' ');
    expect(floorFound).toHaveBeenCalledTimes(1);
  });

  it('that is whole here is not searched there, and a search that fails takes nothing away', async () => {
    floorFound.mockReturnValue(throwError(() => new HttpErrorResponse({ status: 503 })));
    await open();
    await seek('van');
    expect([ids().length, floor().loading.state]).toEqual([1400, 'loaded']);
    pages = TWO_PAGES;
    await open();
    await seek('van');
    expect(floorFound).toHaveBeenCalledTimes(1);
  });

  it('that cannot be loaded on says so, and can be asked again', async () => {
    const third = pages['/3']!;
    pages = { ...pages, '/3': () => throwError(() => new HttpErrorResponse({ status: 0 })) };
    await open();
    const more = async (): Promise<void> => {
      TestBed.inject(Store).dispatch(FloorActions.moreWanted());
      await jest.advanceTimersByTimeAsync(1);
    };
    await more();
    expect([floor().loading.state, ids().length]).toEqual(['failed', 1400]);
    pages = { ...pages, '/3': third };
    await more();
    expect(ids()).toHaveLength(2200);
  });
});
