import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { Store, provideStore } from '@ngrx/store';
import type { JobView } from '@tetrad/contracts';
import { firstValueFrom, of, throwError } from 'rxjs';
import type { Observable } from 'rxjs';
import { Api } from '../src/app/state/api';
import { jobReducer } from '../src/app/state/job/job.reducer';
import { withOutbox } from '../src/app/state/job/with-outbox';
import type { OutboxItem } from '../src/app/state/outbox/outbox-item';
import { queued } from '../src/app/state/outbox/outbox-item';
import { OutboxKeeper } from '../src/app/state/outbox/outbox-keeper';
import { OutboxActions } from '../src/app/state/outbox/outbox.actions';
import { OutboxEffects, nextToSend } from '../src/app/state/outbox/outbox.effects';
import { outboxReducer, selectItems, selectRefused } from '../src/app/state/outbox/outbox.reducer';

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
        provideStore({ outbox: outboxReducer, job: jobReducer }),
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
});
