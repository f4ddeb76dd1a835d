/** The job in view: every act upon it, and what takes each back. */
import { TestBed } from '@angular/core/testing';
import type { JobView } from '@tetrad/contracts';
import type { Case } from '@tetrad/core';
import { Settings } from '../src/app/device/settings';
import { SessionActions } from '../src/app/state/session/session.feature';
import { Store } from '@ngrx/store';
import { StepAtHand } from '../src/app/screens/bench/step-at-hand';
import { stepNameOf } from '../src/app/screens/bench/route/step-key';
import { ground, openJob, queuedActs, rest, standingBed, subject, timer, view } from './bench-fixtures';

beforeEach(() => {
  localStorage.removeItem('tetrad.settings');
  standingBed();
});

/** What a person sees of a job; not when, nor under which id. */
const seen = (job: JobView | null) => {
  if (!job) return null;
  const { case: held, timers, acknowledgements, status, pass, criteria, assignee } = job;
  return {
    readings: held.readings.filter((reading) => reading.void === undefined).map(({ test, value }) => [test, value]),
    observations: (held.observations ?? []).map(({ about, finding }) => [about, finding]),
    complaint: held.complaint?.symptoms,
    system: held.system,
    timers: timers.map(({ kind, seconds, startedAt }) => [kind, seconds, startedAt]),
    status,
    pass,
    criteria,
    assignee,
    acknowledgements: acknowledgements.map(({ caution, by }) => [caution, by]),
  };
};

describe('every act of the bench can be taken back, and leaves the job as it was', () => {
  const job = (): JobView =>
    view(subject([rest], { observations: [{ about: 'belt', finding: 'good' }] }), {
      timers: [timer('settle', 30, 150)],
      assignee: 'Bo',
    });
  type Opened = ReturnType<typeof openJob>;
  it.each<[string, (store: Opened) => void]>([
    ['a reading', (store) => store.read('cranking-voltage', { value: 10.2, conditions: { method: 'watched' } })],
    [
      'a reading that was not possible',
      (store) => store.read('starter-draw', { value: null, notPossible: 'no-access', conditions: {} }),
    ],
    ['a void', (store) => store.voidReading({ id: 'a', reason: 'clamp slipped' })],
    ['a look', (store) => store.observe('belt', 'loose')],
    ['a complaint', (store) => store.change({ complaint: { symptoms: ['goes-flat'] } })],
    ['the criteria', (store) => store.change({ criteria: 'careful', assignee: 'Ilse' })],
    ['the label', (store) => store.change({ system: { nominalVolts: 24, battery: { chemistry: 'agm' } } })],
    ['the repair done', (store) => store.change({ pass: 'after' })],
    ['a caution understood', (store) => store.acknowledge({ caution: 'acid' })],
    ['a wait begun', (store) => store.wait({ kind: 'sleep' })],
    ['a wait stopped', (store) => store.stop('settle 30')],
  ])('%s', (_, act) => {
    const store = openJob(job());
    const before = seen(store.view());
    act(store);
    expect(seen(store.view())).not.toEqual(before);
    expect(store.undo()).not.toBeNull();
    expect(seen(store.view())).toEqual(before);
    expect(store.undo()).toBeNull();
  });

  it('after the page was loaded anew too, and only what was done on that job', () => {
    const store = openJob(view(subject()));
    const { id } = store.view()!;
    store.recall(id);
    store.observe('belt', 'loose');
    store.recall('00000000-0000-4000-8000-00000000000b');
    expect(store.undo()).toBeNull();
    store.recall(id); // as a new page does
    expect(store.undo()?.says).toBe('Belt: loose');
    expect(store.view()!.case.observations).toEqual([]);
  });

  it('what was done last is taken back first', () => {
    const store = openJob(view(subject()));
    store.read('resting-voltage', { value: 12.6, conditions: {} });
    store.observe('belt', 'loose');
    expect(store.undo()?.says).toBe('Belt: loose');
    expect(store.undo()?.says).toBe('Resting voltage: 12.60 V');
    expect(store.view()!.case.readings.map((reading) => reading.void)).toEqual(['Undone']);
  });

  it('evidence stays: a reading taken back is void, with its reason, and a void taken back is a new reading', () => {
    const store = openJob(view(subject([rest])));
    store.voidReading({ id: 'a', reason: 'lamps were on' });
    store.undo();
    const { readings } = store.view()!.case;
    expect(readings.map((reading) => reading.void)).toEqual(['lamps were on', undefined]);
    expect(readings[1]!.id).not.toBe('a');
  });

  it('a sign-off taken back opens the job again', () => {
    const store = openJob(view(subject([rest])));
    store.signOff({ action: 'none-found', conclusion: 'Sound.', partsFitted: [] });
    expect(store.view()!.status).toBe('closed');
    store.undo();
    expect(store.view()!.status).toBe('open');
  });

  it('keeps no more than the last fifty', () => {
    const store = openJob(view(subject()));
    for (let i = 0; i < 60; i++) store.observe('belt', i % 2 ? 'good' : 'loose');
    let undone = 0;
    while (store.undo()) undone += 1;
    expect(undone).toBe(50);
  });
});

describe('what is stored with a reading', () => {
  it('is who took it and the pass it belongs to', () => {
    const store = openJob(view(subject([rest]), { pass: 'after' }));
    const id = store.read('resting-voltage', { value: 12.7, conditions: {} });
    const [item] = queuedActs();
    expect(item).toMatchObject({
      shop: 'one',
      body: { reading: { id, test: 'resting-voltage', value: 12.7, by: 'Ilse Marrow', pass: 'after' } },
    });
  });

  it('is seen at once, judged by the school of the job', () => {
    const store = openJob(view(subject([rest]), { criteria: 'quick-check' }));
    store.read('cranking-voltage', { value: 9.8, conditions: { method: 'watched', seconds: 8 } });
    expect(store.assessments().at(-1)).toMatchObject({ grade: 'outside' });
    expect(store.judgement()!.criteria.id).toBe('quick-check');
    expect([...store.pending()]).toHaveLength(1);
  });

  it('before a job is open, or a shop is known, nothing is queued', () => {
    const store = openJob(view(subject()));
    TestBed.inject(Store).dispatch(SessionActions.absent({ isDemo: false }));
    store.observe('belt', 'good');
    expect(queuedActs()).toEqual([]);
  });
});

describe('where the bench goes', () => {
  const at = () => stepNameOf(TestBed.inject(StepAtHand).step());
  const read = (store: ReturnType<typeof openJob>, test: 'resting-voltage' | 'cranking-voltage', value: number) => {
    const step = TestBed.inject(StepAtHand).step();
    store.read(test, { value, conditions: {} });
    TestBed.inject(StepAtHand).afterReading(step);
  };

  it('after a reading where the judge points', () => {
    const store = openJob(view(subject()));
    read(store, 'resting-voltage', 12.64);
    expect(at()).toBe(store.judgement()!.next[0]!.test);
  });

  it('in the four notes on to the next that is open, where this device was set so', () => {
    TestBed.inject(Settings).set({ afterEnter: 'notes' });
    const store = openJob(view(subject()));
    const seenSteps = [at()];
    for (const [test, value] of [
      ['resting-voltage', 12.64],
      ['cranking-voltage', 10.6],
    ] as const) {
      read(store, test, value);
      seenSteps.push(at());
    }
    expect(seenSteps).toEqual(['resting-voltage', 'cranking-voltage', 'charging-voltage']);
  });

  it('once all is settled to the reading that settled it', () => {
    const given: Case = subject(
      [
        rest,
        { id: 'c', test: 'cranking-voltage', value: 11.4, conditions: { method: 'watched', seconds: 8 } },
        { id: 's', test: 'starter-draw', value: 92 },
        ground,
        { id: 'p', test: 'drop-starter-positive', value: 0.22, conditions: { amps: 92 } },
        { id: 'n', test: 'drop-negative-post', value: 0.02, conditions: { amps: 92 } },
        { id: 'e', test: 'drop-engine-ground', value: 0.03, conditions: { amps: 92 } },
        { id: 'k', test: 'conductance', value: 575 },
        { id: 'sp', test: 'cranking-speed', value: 105 },
      ],
      { observations: [{ about: 'terminals', finding: 'clean' }] },
    );
    const store = openJob(view(given));
    expect(store.judgement()!.decision.action).toBe('repair');
    expect(at()).toBe('drop-starter-ground');
  });

  it('along the route by arrows, and stops at both ends', () => {
    openJob(view(subject()));
    const step = TestBed.inject(StepAtHand);
    for (let i = 0; i < 100; i++) step.move(-1);
    const first = at();
    step.move(-1);
    expect(at()).toBe(first);
    step.move(1);
    expect(at()).not.toBe(first);
  });
});
