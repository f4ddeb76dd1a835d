/** What an instrument shows on the bench: steady or moving, stale or lost; and what Enter keeps of it. */
import { TestBed } from '@angular/core/testing';
import { signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { InstrumentView } from '@tetrad/contracts';
import type { ReadingStep } from '@tetrad/core';
import { Subject, of } from 'rxjs';
import { LiveReadings } from '../src/app/instruments/live/live-readings';
import type { LiveReading } from '../src/app/instruments/live/live-source';
import { LiveStep } from '../src/app/instruments/live/live-step';
import { LiveValue } from '../src/app/instruments/live/live-value';
import { ReadWith } from '../src/app/instruments/read-with';
import { fakeApi } from './fake-api';

const meter: InstrumentView = {
  id: 'meter',
  name: 'Bench meter 1',
  kind: 'meter',
  uncertainty: { V: 0.02 },
  address: 'tcp://127.0.0.1:5025',
  millivoltsPerAmp: null,
  isSimulated: false,
  check: null,
};
const IDENTITY = 'Maker, Model, 1, 0';
let news: Subject<object>;
let opened: object[];
let zeroed: string[];
let live: LiveReadings;
const RESTING = { test: 'resting-voltage', asks: {} } as Pick<ReadingStep, 'test' | 'asks'>;
const open = signal<typeof RESTING | null>(RESTING);

beforeEach(() => {
  jest.useFakeTimers({ now: 0 });
  news = new Subject();
  opened = [];
  zeroed = [];
  open.set(RESTING);
  TestBed.configureTestingModule({
    providers: [
      LiveReadings,
      fakeApi({ zeroInstrument: (_shop, id) => (zeroed.push(String(id)), of(undefined)) }),
      { provide: Store, useValue: { selectSignal: () => signal('one') } },
      { provide: ReadWith, useValue: { live: () => ({ instrument: meter, use: 'volts-dc' }) } },
      { provide: LiveStep, useValue: { open } },
    ],
  });
  live = TestBed.inject(LiveReadings);
  live.open.set((sources) => {
    opened.push(...sources);
    return news as never;
  });
  TestBed.tick();
});
afterEach(() => jest.useRealTimers());

const tell = (told: object): LiveReading => {
  news.next({ instrument: 'meter', as: 'volts-dc', use: 'volts-dc', owner: 'Ilse', identity: IDENTITY, ...told });
  return live.reading()!;
};
const value = (volts: number): LiveReading => tell({ state: 'value', value: volts, resolution: 0.01 });
const pass = (ms: number): void => void jest.advanceTimersByTime(ms);

it('is steady after a second and a half within its accuracy, and Enter keeps the mean with the digits of the display', () => {
  for (let i = 0; i < 8; i++) {
    value(i % 2 ? 12.61 : 12.62);
    pass(250);
  }
  expect(value(12.61)).toMatchObject({
    state: 'value',
    isSteady: true,
    kept: expect.closeTo(12.61, 1),
    resolution: 0.01,
    accuracy: 0.02,
    lowest: 12.61,
    highest: 12.62,
    instrument: `Bench meter 1 (${IDENTITY})`,
  });
  expect(value(11.2)).toMatchObject({ isSteady: false, kept: 11.2 });
});

it('a value that nothing follows is stale after half a second and lost after two, and never kept', () => {
  value(12.61);
  pass(700);
  expect(live.reading()).toMatchObject({ state: 'value', isStale: true, isSteady: false });
  pass(1600);
  expect(live.reading()).toMatchObject({ state: 'lost' });
  expect(value(12.6)).toMatchObject({ state: 'value', isStale: false });
});

it('over range and a lost connection are said, and leave no figure', () => {
  value(12.61);
  expect(tell({ state: 'over-range' })).not.toHaveProperty('value');
  expect(tell({ state: 'lost', why: 'it cut the connection' })).toMatchObject({ why: 'it cut the connection' });
});

it('somebody else’s function is told with their name', () => {
  expect(tell({ state: 'value', value: 0.02, resolution: 0.001, use: 'volts-ac', owner: 'Bo' }).usedBy).toBe('Bo');
});

it('nothing is asked once the step shows what was read', () => {
  expect(opened).toHaveLength(1);
  expect(news.observed).toBe(true);
  open.set(null);
  TestBed.tick();
  expect(news.observed).toBe(false);
  expect(live.reading()).toBeNull();
});

describe('on the bench', () => {
  const show = (reading: object, more: Readonly<Record<string, unknown>> = {}): HTMLElement => {
    const fixture = TestBed.createComponent(LiveValue);
    fixture.componentRef.setInput('live', { name: 'Bench meter 1', usedBy: null, ...reading });
    fixture.componentRef.setInput('test', 'resting-voltage');
    for (const [name, value] of Object.entries(more)) fixture.componentRef.setInput(name, value);
    fixture.detectChanges();
    return fixture.nativeElement as HTMLElement;
  };
  const shown = {
    state: 'value',
    value: 12.6,
    kept: 12.6,
    resolution: 0.01,
    accuracy: 0.02,
    isSteady: true,
    isStale: false,
    lowest: 12.58,
    highest: 12.61,
  };

  it('stands its value with its digits, steady by word, and how low and high it was', () => {
    const text = show(shown).textContent!;
    for (const words of ['12.60 V', '● steady', 'lowest 12.58 V, highest 12.61 V', '±0.02 V'])
      expect(text).toContain(words);
  });

  const kept = { value: 12.6, resolution: 0.01, accuracy: 0.02, instrument: 'one', conditions: {}, from: null };

  it('can be kept once there is something to keep', () => {
    expect(show({ ...shown, isStale: true, isSteady: false }).querySelector('button')!.disabled).toBe(true);
    expect(show(shown, { keeping: kept }).querySelector('button')!.disabled).toBe(false);
  });

  it('says what is kept of a count-down, and what the clamp showed with it', () => {
    const from = { how: 'count', lowest: 9.1, highest: 12.6 };
    const text = show(shown, {
      keeping: { ...kept, value: 9.87, conditions: { amps: 185 }, from },
      beside: { amps: { ...shown, name: 'Clamp', value: 184.6, resolution: 0.1 } },
    }).textContent!;
    for (const words of [
      'Keep 9.87 V',
      'Mean while the count said read: 9.87 V at 185 A. Lowest 9.10 V, highest 12.60 V.',
      'DC amps: 184.6 A (Clamp)',
    ])
      expect(text).toContain(words);
  });

  it('a clamp that stands off its zero is zeroed from here, and no meter is', () => {
    const zero = (element: HTMLElement) =>
      [...element.querySelectorAll('button')].find(({ textContent }) => textContent.includes('Zero the clamp'));
    expect(zero(show(shown))).toBeUndefined();
    zero(show({ ...shown, id: 'clamp' }, { test: 'starter-draw' }))!.click();
    expect(zeroed).toEqual(['clamp']);
  });

  it('over range and lost show no figure', () => {
    expect(show({ state: 'over-range' }).textContent).toContain('Over range');
    const lost = show({ state: 'lost', why: 'nothing listens there' });
    expect(lost.textContent).toContain('Not read: nothing listens there');
    expect(lost.querySelector('button')).toBeNull();
  });
});
