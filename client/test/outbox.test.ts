import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { JobView } from '@tetrad/contracts';
import { firstValueFrom, of, throwError } from 'rxjs';
import type { Observable } from 'rxjs';
import { Api } from '../src/app/state/api';
import { conflictOf } from '../src/app/outbox/conflict';
import type { OutboxItem } from '../src/app/outbox/outbox-item';
import { queued, requestOf, withOutbox } from '../src/app/outbox/outbox-item';
import { OutboxKeeper } from '../src/app/outbox/outbox-keeper';
import { OutboxActions } from '../src/app/outbox/outbox.actions';
import { OutboxEffects, nextToSend } from '../src/app/outbox/outbox.effects';
import { outboxFeature, selectItems, selectRefused } from '../src/app/outbox/outbox.feature';

const { reducer } = outboxFeature;
const itemsOf = (state: ReturnType<typeof reducer>): readonly OutboxItem[] =>
  state.ids.map((id) => state.entities[id]!);

const JOB = '00000000-0000-4000-8000-000000000001';
const jobView = (readings: JobView['case']['readings'] = []): JobView => ({
  id: JOB,
  version: 1,
  revision: 1,
  pass: 'before',
  vehicle: { id: JOB, name: 'Test van', plate: null, vin: null, year: null },
  status: 'open',
  assignee: null,
  criteria: 'balanced',
  openedAt: '2026-03-02T09:00:00Z',
  case: { format: 'tetrad-case/1', system: { nominalVolts: 12, battery: { chemistry: 'flooded' } }, readings },
  judgement: null,
  timers: [],
  acknowledgements: [],
  signOff: null,
});
const reading = (id: string, value: number): OutboxItem =>
  queued({ kind: 'reading', shop: 'one', job: JOB, body: { reading: { id, test: 'resting-voltage', value } } });

/** A keeper in memory. */
class MemoryKeeper implements Pick<OutboxKeeper, 'all' | 'keep' | 'drop' | 'dropHeld'> {
  readonly kept = new Map<string, OutboxItem>();
  all = async () => [...this.kept.values()];
  keep = async (item: OutboxItem) => void this.kept.set(item.id, item);
  drop = async (id: string) => void this.kept.delete(id);
  dropHeld = async (job: string) => {
    for (const item of this.kept.values()) if (item.job === job && item.state === 'held') this.kept.delete(item.id);
  };
}

describe('the outbox', () => {
  let answers: (item: OutboxItem) => Observable<JobView>;
  let sent: string[];
  let keeper: MemoryKeeper;
  let store: Store;

  beforeEach(() => {
    sent = [];
    keeper = new MemoryKeeper();
    const api = {
      send: (item: OutboxItem) => {
        sent.push(item.kind === 'reading' ? item.body.reading.id : item.kind);
        return answers(item);
      },
    };
    TestBed.configureTestingModule({
      providers: [
        provideStore(),
        provideState(outboxFeature),
        provideEffects(OutboxEffects),
        { provide: Api, useValue: api },
        { provide: OutboxKeeper, useValue: keeper },
      ],
    });
    store = TestBed.inject(Store);
  });
  const settle = () => new Promise((resolve) => setTimeout(resolve, 30));
  const items = () => firstValueFrom(store.select(selectItems));
  const failure = (status: number, detail = '') =>
    throwError(() => new HttpErrorResponse({ status, error: detail ? { detail, status } : null }));

  it('sends what is entered in order, one by one, and forgets it when it is stored', async () => {
    answers = () => of(jobView());
    for (const [id, volts] of [
      ['a', 12.6],
      ['b', 12.5],
      ['c', 12.4],
    ] as const)
      store.dispatch(OutboxActions.queued({ item: reading(id, volts) }));
    await settle();
    expect(sent).toEqual(['a', 'b', 'c']);
    expect(await items()).toEqual([]);
    expect(keeper.kept.size).toBe(0);
  });

  it('keeps everything, on the device too, while the server does not answer', async () => {
    answers = () => failure(0);
    store.dispatch(OutboxActions.queued({ item: reading('a', 12.6) }));
    store.dispatch(OutboxActions.queued({ item: reading('b', 12.5) }));
    await settle();
    expect((await items()).map(({ state }) => state)).toEqual(['waiting', 'waiting']);
    expect(keeper.kept.size).toBe(2);
    answers = () => of(jobView());
    store.dispatch(OutboxActions.flush());
    await settle();
    expect(await items()).toEqual([]);
  });

  it('takes up after a reload what the device kept', async () => {
    answers = () => of(jobView());
    const item = { ...reading('a', 12.6), state: 'sending' as const };
    keeper.kept.set(item.id, item);
    store.dispatch(OutboxActions.opened());
    await settle();
    expect(sent).toEqual(['a']);
  });

  it('shows a refusal in the server’s words and goes on with the rest', async () => {
    answers = (item) =>
      item.kind === 'reading' && item.body.reading.id === 'a' ? failure(422, 'reading.value: found 99') : of(jobView());
    store.dispatch(OutboxActions.queued({ item: reading('a', 99) }));
    store.dispatch(OutboxActions.queued({ item: reading('b', 12.5) }));
    await settle();
    const refused = await firstValueFrom(store.select(selectRefused));
    expect(refused.map(({ problem }) => problem?.detail)).toEqual(['reading.value: found 99']);
    expect(sent).toEqual(['a', 'b']);
  });

  it('puts aside what the server fails at again and again, and goes on; a fault that passes is none of it', async () => {
    answers = (item) =>
      item.kind === 'reading' && item.body.reading.id === 'a' ? failure(500, 'Something failed.') : of(jobView());
    store.dispatch(OutboxActions.queued({ item: reading('a', 12.6) }));
    store.dispatch(OutboxActions.queued({ item: reading('b', 12.5) }));
    await settle();
    const tries = () => sent.filter((id) => id === 'a').length;
    while (tries() < 3) {
      store.dispatch(OutboxActions.flush());
      await settle();
    }
    expect((await items()).map(({ state }) => state)).toEqual(['waiting', 'waiting']);
    store.dispatch(OutboxActions.flush());
    await settle();
    const refused = await firstValueFrom(store.select(selectRefused));
    expect(refused.map(({ problem }) => problem?.detail)).toEqual(['Something failed.']);
    expect(sent.at(-1)).toBe('b');
  });

  it('waits where nobody is signed in, and loses nothing', async () => {
    answers = () => failure(401, 'Nobody is signed in.');
    store.dispatch(OutboxActions.queued({ item: reading('a', 12.6) }));
    await settle();
    expect((await items()).map(({ state }) => state)).toEqual(['waiting']);
    answers = () => of(jobView());
    store.dispatch(OutboxActions.flush());
    await settle();
    expect(await items()).toEqual([]);
  });
});

describe('a quick check', () => {
  const opening: OutboxItem = {
    ...queued({
      kind: 'new-job',
      shop: 'one',
      job: JOB,
      body: {
        id: JOB,
        vehicle: { id: JOB, name: 'Quick check' },
        system: { nominalVolts: 12, battery: { chemistry: 'agm' } },
      },
    }),
    state: 'held',
  };
  const begun = (...more: readonly OutboxItem[]) =>
    [opening, ...more].reduce(
      (state, item) => reducer(state, OutboxActions.queued({ item })),
      reducer(undefined, { type: 'start' }),
    );

  it('holds what is entered into it, and nothing of it is sent', () => {
    const items = itemsOf(begun(reading('a', 12.6), reading('b', 12.5)));
    expect(items.map(({ state }) => state)).toEqual(['held', 'held', 'held']);
    expect(nextToSend(items)).toBeUndefined();
  });

  it('does not hold up the entries of other jobs', () => {
    const other = { ...reading('c', 12.4), job: '00000000-0000-4000-8000-000000000002' };
    expect(nextToSend(itemsOf(begun(reading('a', 12.6), other)))?.job).toBe(other.job);
  });

  it('given a vehicle it is sent whole, in the order it was entered', () => {
    const vehicle = { name: 'Slip car', plate: 'SC-1' };
    let items = itemsOf(
      reducer(begun(reading('a', 12.6), reading('b', 12.5)), OutboxActions.released({ job: JOB, vehicle })),
    );
    const sent: string[] = [];
    for (let item = nextToSend(items); item; item = nextToSend(items)) {
      sent.push(
        item.kind === 'new-job' ? item.body.vehicle.name : item.kind === 'reading' ? item.body.reading.id : '?',
      );
      items = items.filter(({ id }) => id !== item?.id);
    }
    expect(sent).toEqual(['Slip car', 'a', 'b']);
  });

  it('discarded it leaves nothing, and nothing else goes with it', () => {
    const other = { ...reading('c', 12.4), job: '00000000-0000-4000-8000-000000000002' };
    const after = reducer(begun(reading('a', 12.6), other), OutboxActions.heldDiscarded({ job: JOB }));
    expect(itemsOf(after).map(({ job }) => job)).toEqual([other.job]);
  });
});

describe('what may be sent', () => {
  it('is nothing of a job whose opening was refused', () => {
    const opening = {
      ...queued({
        kind: 'new-job',
        shop: 'one',
        job: JOB,
        body: {
          id: JOB,
          vehicle: { id: JOB, name: 'Van' },
          system: { nominalVolts: 12, battery: { chemistry: 'agm' } },
        },
      }),
      state: 'refused' as const,
    };
    expect(nextToSend([opening, reading('a', 12.6)])).toBeUndefined();
  });
});

describe('a job with its outbox', () => {
  it('shows readings that are not stored yet, each once', () => {
    const item = reading('a', 12.6);
    const seen = withOutbox(jobView(), JOB, [item]);
    expect(seen?.case.readings.map(({ id }) => id)).toEqual(['a']);
    expect(withOutbox(seen, JOB, [item])?.case.readings).toHaveLength(1);
  });

  it('does not apply what was refused', () => {
    expect(withOutbox(jobView(), JOB, [{ ...reading('a', 12.6), state: 'refused' }])?.case.readings).toEqual([]);
  });

  it('is there before the server knows it', () => {
    const opening = queued({
      kind: 'new-job',
      shop: 'one',
      job: JOB,
      body: { id: JOB, vehicle: { id: JOB, name: 'Van' }, system: { nominalVolts: 12, battery: { chemistry: 'agm' } } },
    });
    expect(withOutbox(null, JOB, [opening, reading('a', 12.6)])).toMatchObject({
      vehicle: { name: 'Van' },
      case: { readings: [{ id: 'a' }] },
    });
  });

  it('shows a timer, a caution, a look and a sign-off before the server has them, and each once', () => {
    const common = { shop: 'one', job: JOB } as const;
    const at = Date.parse('2026-03-02T10:00:00Z');
    const items = [
      queued({ ...common, kind: 'timer', startedAt: at, body: { id: 'old', kind: 'settle' } }, at),
      queued({ ...common, kind: 'timer', startedAt: at, body: { id: 'new', kind: 'settle', seconds: 90 } }, at),
      queued({ ...common, kind: 'timer', startedAt: at, body: { id: 'gone', kind: 'sleep' } }, at),
      queued({ ...common, kind: 'timer-stop', timer: 'gone' }, at),
      queued({ ...common, kind: 'acknowledgement', body: { caution: 'acid' }, by: 'Ilse' }, at),
      queued(
        { ...common, kind: 'observation', body: { id: 'o', observation: { about: 'belt', finding: 'good' } } },
        at,
      ),
      queued({ ...common, kind: 'changes', body: { version: 1, pass: 'after', vehicle: { plate: 'X-1' } } }, at),
      queued(
        {
          ...common,
          kind: 'sign-off',
          body: { id: 's', action: 'none-found', conclusion: 'Sound.', partsFitted: [] },
          by: 'Bo',
        },
        at,
      ),
    ];
    const once = withOutbox(jobView(), JOB, items)!;
    expect(once).toMatchObject({
      pass: 'after',
      status: 'closed',
      vehicle: { name: 'Test van', plate: 'X-1' },
      timers: [{ id: 'new', kind: 'settle', seconds: 90, startedAt: '2026-03-02T10:00:00.000Z' }],
      acknowledgements: [{ caution: 'acid', by: 'Ilse' }],
      signOff: { by: 'Bo', part: null, reason: null },
      case: { observations: [{ about: 'belt', finding: 'good' }] },
    });
    // the server's answer overtook the outbox: what it has already is not shown twice
    const twice = withOutbox(once, JOB, items)!;
    expect([twice.timers, twice.acknowledgements]).toEqual([once.timers, once.acknowledgements]);
  });
});

describe('an observation taken back', () => {
  const look = (id: string, finding: string): OutboxItem =>
    queued({
      kind: 'observation',
      shop: 'one',
      job: JOB,
      body: { id, observation: { about: 'belt', finding } },
    });
  const back = (id: string, finding: string): OutboxItem =>
    queued({ kind: 'take-back', shop: 'one', job: JOB, observation: id, said: { about: 'belt', finding } });
  const belt = (...items: readonly OutboxItem[]) =>
    withOutbox(jobView(), JOB, items)!.case.observations!.map(({ finding }) => finding);

  it('counts no longer, and what was seen before counts again', () => {
    expect(belt(look('a', 'good'), look('b', 'loose'), back('b', 'loose'))).toEqual(['good']);
  });
  it('takes back one look, not every look that found the same', () => {
    expect(belt(look('a', 'good'), look('b', 'good'), back('b', 'good'))).toEqual(['good']);
  });
  it('is asked for by the id it was stored under', () => {
    expect(requestOf(back('b', 'loose'), 0)).toEqual({
      method: 'POST',
      path: `/${JOB}/observations/b/take-back`,
      body: null,
    });
  });
});

describe('requests', () => {
  it('tell the age of what was read, by the device’s own clock and never below nothing', () => {
    const item = { ...reading('a', 12.6), queuedAt: 10_000 };
    expect(requestOf(item, 14_500).body).toMatchObject({ secondsAgo: 4.5 });
    expect(requestOf(item, 9_000).body).toMatchObject({ secondsAgo: 0 });
  });
  it('write a reading’s id into an address so that no id can lead elsewhere', () => {
    const item = queued({ kind: 'void', shop: 'one', job: JOB, reading: '../x y', body: { reason: 'slip' } });
    expect(requestOf(item, 0).path).toBe(`/${JOB}/readings/..%2Fx%20y/void`);
  });
});

describe('a change that came second', () => {
  const refused = (status: number, errors: { field: string; found: string; allowed: string }[]): OutboxItem => ({
    ...queued({ kind: 'changes', shop: 'one', job: JOB, body: { version: 3, assignee: 'Bo', criteria: 'careful' } }),
    state: 'refused',
    problem: { type: 't', title: 't', status, detail: 'd', errors },
  });
  const version = { field: 'version', found: '3', allowed: '5' };

  it('is told with what it changes and the version that is stored', () => {
    expect(conflictOf(refused(409, [version]))).toEqual({
      fields: ['who has the job', 'the criteria'],
      version: 5,
    });
  });
  it('is no conflict where it was refused for what it says', () => {
    expect(conflictOf(refused(422, [{ field: 'criteria', found: 'x', allowed: 'y' }]))).toBeNull();
    expect(conflictOf({ ...reading('a', 1), problem: refused(409, [version]).problem })).toBeNull();
  });
  it('kept, is sent again on the version that is stored now', () => {
    const item = refused(409, [version]);
    let state = reducer(undefined, OutboxActions.queued({ item }));
    state = reducer(state, OutboxActions.refused({ id: item.id, problem: item.problem! }));
    const changes = { body: { version: 5, assignee: 'Bo' } } as Partial<OutboxItem>;
    const [again] = itemsOf(reducer(state, OutboxActions.retried({ id: item.id, changes })));
    expect(again).toMatchObject({ state: 'waiting', problem: null, body: { version: 5, assignee: 'Bo' } });
    expect(nextToSend([again!])).toBe(again);
  });
});
