/** The server's time on a device, and its streams. */
import { HttpClient } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { Store } from '@ngrx/store';
import { delay, map, timer } from 'rxjs';
import { Clock } from '../src/app/device/clock';
import { JobActions, selectJobs } from '../src/app/job/jobs.feature';
import { eventStream } from '../src/app/api/event-stream';
import { rest, standingBed, subject, view } from './bench-fixtures';

describe('the clock', () => {
  const aheadMs = 5_400_000;
  beforeEach(() => jest.useFakeTimers({ now: Date.parse('2026-03-02T10:00:00Z') }));
  afterEach(() => jest.useRealTimers());

  /** A clock that has asked a server whose answers take so many ms each way there and back. */
  async function synchronised(there: readonly number[], back: readonly number[]) {
    let asked = 0;
    const get = () => {
      const [toServer, fromServer] = [there[asked] ?? 1, back[asked] ?? 1];
      asked += 1;
      return timer(toServer).pipe(
        map(() => ({ now: Date.now() + aheadMs })),
        delay(fromServer),
      );
    };
    TestBed.configureTestingModule({ providers: [{ provide: HttpClient, useValue: { get } }] });
    const clock = TestBed.inject(Clock);
    const done = clock.synchronise();
    await jest.advanceTimersByTimeAsync(20_000);
    await done;
    return { wrongByMs: clock.now() - (Date.now() + aheadMs), asked };
  }

  it('counts by the server’s time, however wrong the device’s is', async () => {
    expect(await synchronised([5], [5])).toEqual({ wrongByMs: 0, asked: 1 });
  });

  it('of several answers the one that travelled least tells the time, to half its way at worst', async () => {
    const { wrongByMs, asked } = await synchronised([400, 10, 8], [20, 200, 4]);
    expect(asked).toBe(3);
    expect(Math.abs(wrongByMs)).toBeLessThanOrEqual(6);
  });

  it('is content with the best of a dozen on a slow network', async () => {
    const { wrongByMs, asked } = await synchronised(Array<number>(12).fill(60), Array<number>(12).fill(80));
    expect(asked).toBe(12);
    expect(Math.abs(wrongByMs)).toBeLessThanOrEqual(70);
  });
});

describe('a stream', () => {
  class FakeSource extends EventTarget {
    static readonly CLOSED = 2;
    static all: FakeSource[] = [];
    readyState = 1;
    constructor(readonly url: string) {
      super();
      FakeSource.all.push(this);
    }
    close(): void {
      this.readyState = FakeSource.CLOSED;
    }
    tell(event: string, data: unknown): void {
      this.dispatchEvent(new MessageEvent(event, { data: JSON.stringify(data) }));
    }
  }
  const hide = (hidden: boolean): void => {
    Object.defineProperty(document, 'hidden', { value: hidden, configurable: true });
    document.dispatchEvent(new Event('visibilitychange'));
  };
  const open = () => FakeSource.all.filter(({ readyState }) => readyState !== FakeSource.CLOSED);

  beforeEach(() => {
    jest.useFakeTimers();
    FakeSource.all = [];
    Object.defineProperty(globalThis, 'EventSource', { value: FakeSource, configurable: true, writable: true });
  });
  afterEach(() => {
    hide(false);
    jest.useRealTimers();
  });

  it('passes on its own events until nobody listens', () => {
    const seen: unknown[] = [];
    const listening = eventStream('/live', 'job').subscribe((event) => seen.push(event));
    FakeSource.all[0]!.tell('job', { id: 1 });
    FakeSource.all[0]!.tell('floor', { id: 2 });
    expect(seen).toEqual([{ id: 1 }]);
    listening.unsubscribe();
    expect(open()).toEqual([]);
  });

  it('that was refused is tried again, and not after the last listener has gone', () => {
    const listening = eventStream('/live', 'job').subscribe();
    const refuse = () => {
      const last = FakeSource.all.at(-1)!;
      last.close();
      last.dispatchEvent(new Event('error'));
    };
    refuse();
    jest.advanceTimersByTime(2500);
    expect(FakeSource.all).toHaveLength(2);
    refuse();
    listening.unsubscribe();
    jest.advanceTimersByTime(10_000);
    expect(FakeSource.all).toHaveLength(2);
  });

  it('of a page nobody looks at is let go after a minute, and joined again when it is looked at', () => {
    const listening = eventStream('/live', 'job').subscribe();
    hide(true);
    jest.advanceTimersByTime(30_000);
    expect(open()).toHaveLength(1);
    jest.advanceTimersByTime(40_000);
    expect(open()).toHaveLength(0);
    hide(false);
    expect(open()).toHaveLength(1);
    listening.unsubscribe();
  });
});

describe('live news', () => {
  beforeEach(standingBed);

  it('an older view of a job never takes a newer one’s place', () => {
    const store = TestBed.inject(Store);
    const newer = view(subject([rest]), { revision: 5 });
    store.dispatch(JobActions.opened({ id: newer.id }));
    store.dispatch(JobActions.loaded({ job: newer }));
    store.dispatch(JobActions.loaded({ job: view(subject(), { revision: 4 }) }));
    let readings = -1;
    store.select(selectJobs).subscribe((jobs) => {
      readings = jobs[newer.id]!.case.readings.length;
    });
    expect(readings).toBe(1);
  });
});
