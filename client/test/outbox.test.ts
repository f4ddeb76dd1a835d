/** What was entered and is not stored yet: kept, sent in order, told when it is refused. */
import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { JobView } from '@tetrad/contracts';
import { firstValueFrom, of, throwError } from 'rxjs';
import type { Observable } from 'rxjs';
import { ItemSender } from '../src/app/outbox/item-sender';
import { conflictOf } from '../src/app/outbox/conflict';
import type { OutboxItem } from '../src/app/outbox/outbox-item';
import { queued, requestOf } from '../src/app/outbox/outbox-item';
import { OutboxKeeper } from '../src/app/outbox/outbox-keeper';
import { OutboxActions } from '../src/app/outbox/outbox.actions';
import { OutboxEffects, nextToSend } from '../src/app/outbox/outbox.effects';
import { outboxFeature, selectItems, selectRefused } from '../src/app/outbox/outbox.feature';
import { JOB, itemsOf, jobView, opening, reading, reducer } from './outbox-fixtures';

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

/** Queued when this clock said so. */
const at = (now: number): Pick<OutboxItem, 'id' | 'queuedAt'> => ({
  id: `${String(now).padStart(15, '0')}-000001`,
  queuedAt: now,
});

describe('the outbox', () => {
  let answers: (item: OutboxItem) => Observable<JobView>;
  let sent: string[];
  let keeper: MemoryKeeper;
  let store: Store;

  beforeEach(() => {
    sent = [];
    keeper = new MemoryKeeper();
    const sender = {
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
        { provide: ItemSender, useValue: sender },
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

  it('sends a job before its readings where the clock was set back between them, now and after a reload', async () => {
    answers = () => failure(0);
    const [noon, yesterday] = [Date.UTC(2026, 2, 2, 12), Date.UTC(2026, 2, 1)];
    store.dispatch(OutboxActions.queued({ item: { ...opening('Van'), ...at(noon) } }));
    store.dispatch(OutboxActions.queued({ item: { ...reading('a', 12.6), ...at(yesterday) } }));
    await settle();
    expect((await items()).map(({ kind }) => kind)).toEqual(['new-job', 'reading']);
    const kept = await keeper.all();
    const again = reducer(undefined, OutboxActions.restored({ items: kept.toReversed() }));
    expect(itemsOf(again).map(({ kind }) => kind)).toEqual(['new-job', 'reading']);
    // what is entered after the reload comes after them, whatever its clock says
    const later = reducer(again, OutboxActions.queued({ item: { ...reading('b', 12.5), ...at(yesterday - 1) } }));
    expect(itemsOf(later).at(-1)).toMatchObject({ body: { reading: { id: 'b' } } });
  });

  it('what was entered before the kept items were read comes after them, on the device too', async () => {
    answers = () => failure(0);
    keeper.kept.set('0', { ...opening('Van'), id: '0', place: 7 });
    store.dispatch(OutboxActions.queued({ item: reading('a', 12.6) }));
    store.dispatch(OutboxActions.opened());
    await settle();
    expect((await items()).map(({ kind }) => kind)).toEqual(['new-job', 'reading']);
    expect([...keeper.kept.values()].find(({ kind }) => kind === 'reading')!.place).toBeGreaterThan(7);
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

describe('what may be sent', () => {
  it('is nothing of a job whose opening was refused', () => {
    const refused = { ...opening('Van'), state: 'refused' as const };
    expect(nextToSend([refused, reading('a', 12.6)])).toBeUndefined();
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
    expect(requestOf(item, 0).url).toBe(`/api/shops/${item.shop}/jobs/${JOB}/readings/..%2Fx%20y/void`);
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
      fields: ['who has the job', 'the limit set'],
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
