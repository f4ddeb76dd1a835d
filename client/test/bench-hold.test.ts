/** What others save while somebody types here: nothing moves, and it is told. */
import { TestBed } from '@angular/core/testing';
import { Store } from '@ngrx/store';
import type { JobView } from '@tetrad/contracts';
import type { Case, Reading } from '@tetrad/core';
import { JobActions } from '../src/app/job/jobs.feature';
import { Arrivals } from '../src/app/screens/bench/arrivals';
import { StepAtHand } from '../src/app/screens/bench/step-at-hand';
import { openJob, queuedActs, rest, standingBed, subject, view } from './bench-fixtures';
import { panel } from './step-page';

beforeEach(standingBed);

const draw: Reading = { id: 'd', test: 'starter-draw', value: 245, by: 'Ove Lind' } as Reading;
const cranked: Reading = { id: 'c', test: 'cranking-voltage', value: 10.4 };
/** What the complaint asks to be looked at is seen: figures come next. */
const looked: Partial<Case> = { observations: [{ about: 'terminals', finding: 'clean' }] };
let revision = 1;
const comesIn = (job: JobView, readings: readonly Reading[]): void =>
  TestBed.inject(Store).dispatch(
    JobActions.loaded({ job: { ...job, revision: (revision += 1), case: { ...job.case, readings } } }),
  );

describe('while somebody types', () => {
  it('the step and the entry stay where they are, whatever others save to it', async () => {
    const job = view(subject([rest, cranked]));
    const { fixture, type, boxes, at } = await panel('resting-voltage', job);
    TestBed.inject(StepAtHand).goTo('starter-draw');
    TestBed.inject(StepAtHand).onward(); // the judge asks for it
    TestBed.inject(StepAtHand).goTo('starter-draw');
    await fixture.whenStable();
    await type('24');
    comesIn(job, [rest, cranked, draw]);
    await fixture.whenStable();
    expect(at()).toBe('starter-draw');
    expect(boxes()[0]!.value).toBe('24');
  });

  it('a step that the judge asks for is not taken away from under a hand that types', async () => {
    const job = view(subject([rest], looked));
    const { fixture, type, boxes, at } = await panel('resting-voltage', job);
    TestBed.inject(StepAtHand).onward();
    await fixture.whenStable();
    const asked = at();
    await type('1');
    comesIn(job, [rest, cranked, draw]);
    await fixture.whenStable();
    expect(at()).toBe(asked);
    expect(boxes()[0]!.value).toBe('1');
  });

  it('once nothing is typed and no key was pressed for two seconds it follows the judge again', async () => {
    jest.useFakeTimers({ doNotFake: ['queueMicrotask'] });
    try {
      const job = view(subject([rest], looked));
      const store = openJob(job);
      const at = TestBed.inject(StepAtHand);
      const asked = at.step();
      at.hold();
      store.read('starter-draw', { value: 140, conditions: {} });
      store.read('cranking-voltage', { value: 10.9, conditions: {} });
      store.read('conductance', { value: 540, conditions: {} });
      expect(at.step()).toBe(asked);
      jest.advanceTimersByTime(2100);
      expect(at.step()).not.toBe(asked);
    } finally {
      jest.useRealTimers();
    }
  });
});

describe('what others saved', () => {
  const system: Case['system'] = { nominalVolts: 24, battery: { chemistry: 'agm', count: 2, arrangement: 'series' } };

  it('is told with who saved it; what was saved here is not', async () => {
    const job = view(subject([rest], looked));
    const store = openJob(job);
    const arrivals = TestBed.inject(Arrivals);
    TestBed.tick();
    expect(arrivals.says()).toBe('');
    store.read('cranking-voltage', { value: 10.9, conditions: {} });
    TestBed.tick();
    const [own] = queuedActs().flatMap((item) => (item.kind === 'reading' ? [item.body.reading as Reading] : []));
    comesIn(job, [rest, own!, draw]);
    TestBed.tick();
    expect(arrivals.says()).toBe('Ove Lind saved Starter draw: 245 A');
    arrivals.dismiss();
    expect(arrivals.says()).toBe('');
  });

  it('does not change which battery is at hand', async () => {
    const job = view(subject([], { system }));
    const { fixture, type, said } = await panel('resting-voltage', job);
    await type('12');
    comesIn(job, [{ ...rest, battery: 1 }]);
    await fixture.whenStable();
    expect(said()).toContain('12.64 V');
    await type('12.3');
    const { battery } = fixture.componentInstance['reading'];
    expect(battery()).toBe(1);
  });
});

it('of a pack in series a figure of the whole pack is offered to the pack', async () => {
  const pack: Case['system'] = { nominalVolts: 24, battery: { chemistry: 'agm', count: 2, arrangement: 'series' } };
  const { type, send, stored, said } = await panel('resting-voltage', view(subject([], { system: pack })));
  await type('25.02');
  expect(said()).toContain('25.02 V is more than one battery has (12 V). Of the pack as connected?');
  await send();
  expect(stored()).toEqual([expect.not.objectContaining({ battery: 1 })]);
  expect(stored()).toMatchObject([{ value: 25.02 }]);
});

it('large value and tab are of the same battery', async () => {
  const pack: Case['system'] = { nominalVolts: 24, battery: { chemistry: 'agm', count: 2, arrangement: 'series' } };
  const both: Reading[] = [
    { ...rest, id: 'one', value: 12.91, battery: 1 },
    { ...rest, id: 'two', value: 12.82, battery: 2 },
  ];
  const { fixture, host } = await panel('resting-voltage', view(subject(both, { system: pack })));
  const { battery } = fixture.componentInstance['reading'];
  for (const [number, shown] of [
    [1, '12.91 V'],
    [2, '12.82 V'],
  ] as const) {
    battery.set(number);
    await fixture.whenStable();
    expect(host.querySelector('.number')!.textContent).toBe(shown);
  }
});

it('after a charge the entry is empty, and of the battery that was charged', async () => {
  const pack: Case['system'] = { nominalVolts: 24, battery: { chemistry: 'agm', count: 2, arrangement: 'series' } };
  const both: Reading[] = [
    { ...rest, id: 'one', value: 12.85, battery: 1, at: '2026-03-02T06:00:00Z' } as Reading,
    { ...rest, id: 'two', value: 11.9, battery: 2, at: '2026-03-02T06:01:00Z' } as Reading,
  ];
  const { fixture, host, boxes, at } = await panel('charge', view(subject(both, { system: pack })));
  [...host.querySelectorAll('button')].find((one) => one.textContent!.includes('Charged: read'))!.click();
  await fixture.whenStable();
  expect(at()).toBe('resting-voltage');
  expect(fixture.componentInstance['reading'].battery()).toBe(2);
  expect(boxes()[0]!.value).toBe('');
});

it('a charge that took minutes is asked about', async () => {
  const flat = { ...rest, value: 11.9, at: '2026-03-02T09:58:00Z' } as Reading;
  const { fixture, host, at, said } = await panel('charge', view(subject([flat])));
  const press = (words: string) =>
    [...host.querySelectorAll('button')].find((one) => one.textContent!.includes(words))!.click();
  press('Charged: read');
  await fixture.whenStable();
  expect(at()).toBe('charge');
  expect(said()).toContain('It was read flat 2 min ago. A charge takes hours.');
  press('Yes, read it');
  await fixture.whenStable();
  expect(at()).toBe('resting-voltage');
});

describe('what a figure raises', () => {
  const flat = { ...rest, value: 12.05, at: '2026-03-02T05:00:00Z' } as Reading;
  const key = (name: string) =>
    document.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }));

  it('after a charge the surface charge is asked about, and one key answers', async () => {
    const { fixture, type, send, stored, said } = await panel('resting-voltage', view(subject([flat])));
    fixture.componentInstance.readAgain();
    await fixture.whenStable();
    await type('12.74');
    await send();
    expect(said()).toContain('Is the surface charge off');
    expect(stored()).toEqual([]);
    key('b');
    await fixture.whenStable();
    expect(stored()).toMatchObject([{ value: 12.74, conditions: { surfaceChargeRemoved: false } }]);
  });

  it('a second Enter leaves it unanswered, and nothing is claimed', async () => {
    const { send, type, stored, said } = await panel('parasitic-draw', view(subject([rest])));
    await type('0.18');
    await send();
    expect(said()).toContain('How long were the doors latched');
    await send();
    expect(stored()).toHaveLength(1);
    expect(stored()[0]!.conditions).toEqual({});
  });

  it('a sound figure at rest, and one whose condition was told, are not asked about', async () => {
    const { send, type, stored } = await panel('resting-voltage', view(subject([])));
    await type('12.65');
    await send();
    expect(stored()).toHaveLength(1);
  });
});

it('while the battery is on the charger nothing is cranked, and the charge shows since when', async () => {
  const timers = [{ id: 't', kind: 'charge', seconds: 14_400, startedAt: '2026-03-02T09:00:00Z' }] as const;
  const charging = view(subject([rest]), { timers });
  const { said } = await panel('starter-draw', charging);
  expect(said()).toContain('The battery is on the charger.');
  TestBed.resetTestingModule();
  standingBed();
  const charge = await panel('charge', charging);
  expect(charge.said()).toContain('On the charger since');
});
