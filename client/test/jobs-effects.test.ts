/** A job that is opened: from the server, from what was kept, and again while the server is away. */
import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import type { JobView } from '@tetrad/contracts';
import { of, throwError } from 'rxjs';
import type { Observable } from 'rxjs';
import { Kept } from '../src/app/device/kept';
import { JobActions, jobsFeature } from '../src/app/job/jobs.feature';
import { JobsEffects } from '../src/app/job/jobs.effects';
import { queued } from '../src/app/outbox/outbox-item';
import { OutboxActions } from '../src/app/outbox/outbox.actions';
import { Api } from '../src/app/api/api';
import { SessionActions } from '../src/app/state/session/session.feature';
import { rest, signedIn, standingBed, subject, view } from './bench-fixtures';
import { apiThat } from './fake-api';

const JOB = view(subject());
const UNAVAILABLE = new HttpErrorResponse({ status: 0 });
const GONE = new HttpErrorResponse({
  status: 404,
  error: { title: 'Not found', status: 404, detail: 'There is no such job.' },
});
const RETRY_MS = 3000;

class FakeStream {
  static readonly CLOSED = 2;
  static opened: FakeStream[] = [];
  readonly readyState = 1;
  #listeners = new Map<string, (message: MessageEvent<string>) => void>();
  isClosed = false;
  constructor(readonly url: string) {
    FakeStream.opened.push(this);
  }
  addEventListener(name: string, listener: (message: MessageEvent<string>) => void): void {
    this.#listeners.set(name, listener);
  }
  tell(name: string, data: unknown): void {
    this.#listeners.get(name)?.(new MessageEvent(name, { data: JSON.stringify(data) }));
  }
  close(): void {
    this.isClosed = true;
  }
}

describe('a job that is opened', () => {
  let asked: string[];
  let answer: () => Observable<JobView>;
  let kept: Map<string, unknown>;
  let store: Store;

  beforeEach(() => {
    jest.useFakeTimers();
    FakeStream.opened = [];
    Object.assign(globalThis, { EventSource: FakeStream });
    asked = [];
    kept = new Map();
    answer = () => of(JOB);
    standingBed();
    TestBed.configureTestingModule({ providers: [provideEffects(JobsEffects)] });
    TestBed.overrideProvider(Api, {
      useValue: apiThat({
        getJob: (shop, id) => {
          asked.push(`${shop} ${id}`);
          return answer();
        },
      }),
    });
    TestBed.overrideProvider(Kept, {
      useValue: {
        get: (key: string) => Promise.resolve(kept.get(key)),
        put: (key: string, value: unknown) => void kept.set(key, value),
      },
    });
    store = TestBed.inject(Store);
    store.dispatch(SessionActions.known({ session: signedIn() }));
  });
  afterEach(() => jest.useRealTimers());

  const open = async (): Promise<void> => {
    store.dispatch(JobActions.opened({ id: JOB.id }));
    await jest.advanceTimersByTimeAsync(0);
  };
  const shown = (): JobView | undefined => {
    let found: JobView | undefined;
    store
      .select(jobsFeature.selectJobsState)
      .subscribe((state) => (found = state.entities[JOB.id]))
      .unsubscribe();
    return found;
  };

  it('is asked for in the shop of the session, shown, and kept for when the server is away', async () => {
    await open();
    expect(asked).toEqual([`one ${JOB.id}`]);
    expect(shown()).toEqual(JOB);
    expect(kept.get(`job one ${JOB.id}`)).toEqual(JOB);
  });

  it('the server is away: what it told last is shown, and it is asked again until it answers', async () => {
    kept.set(`job one ${JOB.id}`, view(subject(), { revision: 7 }));
    answer = () => throwError(() => UNAVAILABLE);
    await open();
    expect(shown()?.revision).toBe(7);
    await jest.advanceTimersByTimeAsync(RETRY_MS);
    await jest.advanceTimersByTimeAsync(RETRY_MS);
    expect(asked).toHaveLength(3);
    answer = () => of(view(subject([rest]), { revision: 8 }));
    await jest.advanceTimersByTimeAsync(RETRY_MS);
    expect(shown()?.case.readings).toEqual([rest]);
    await jest.advanceTimersByTimeAsync(10 * RETRY_MS);
    expect(asked).toHaveLength(4);
  });

  it('one that was left is not asked for again, nor in another shop that is chosen then', async () => {
    answer = () => throwError(() => UNAVAILABLE);
    await open();
    store.dispatch(JobActions.left());
    await jest.advanceTimersByTimeAsync(10 * RETRY_MS);
    store.dispatch(
      SessionActions.known({
        session: { ...signedIn(), shop: { id: 'two', name: 'Shop two', forgetsAtSignOut: false } },
      }),
    );
    await jest.advanceTimersByTimeAsync(10 * RETRY_MS);
    expect(asked).toEqual([`one ${JOB.id}`]);
  });

  it('one that the shop does not have is not asked for again, and nothing old is shown for it', async () => {
    kept.set(`job one ${JOB.id}`, JOB);
    answer = () => throwError(() => GONE);
    await open();
    await jest.advanceTimersByTimeAsync(10 * RETRY_MS);
    expect(asked).toHaveLength(1);
    expect(shown()).toBeUndefined();
  });

  it('one that is on this device only is not asked for: the server cannot know it', async () => {
    const item = queued({
      kind: 'new-job',
      shop: 'one',
      job: JOB.id,
      body: { id: JOB.id, vehicle: { id: 'v', name: 'Quay van' }, system: JOB.case.system },
    });
    store.dispatch(OutboxActions.queued({ item }));
    await open();
    expect(asked).toEqual([]);
    expect(FakeStream.opened).toEqual([]);
  });

  it('follows what other devices do to it, and lets the stream go with the job', async () => {
    await open();
    const [stream] = FakeStream.opened;
    expect(stream!.url).toBe(`/api/shops/one/jobs/${JOB.id}/live`);
    stream!.tell('job', view(subject([rest]), { revision: 2 }));
    expect(shown()?.case.readings).toEqual([rest]);
    store.dispatch(JobActions.opened({ id: '00000000-0000-4000-8000-00000000000b' }));
    await jest.advanceTimersByTimeAsync(0);
    expect(stream!.isClosed).toBe(true);
  });
});
