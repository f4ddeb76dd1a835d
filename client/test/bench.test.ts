/** The bench's parts: the route, the step panel, timers and counts, the wheel, labels and sign-off. */
import { ComponentFixtureAutoDetect, TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Store, provideStore } from '@ngrx/store';
import type { JobView, TimerView } from '@tetrad/contracts';
import { BALANCED, assessCase, blockedSteps, judge, testsToRepeat } from '@tetrad/core';
import type { Case, NextStep, Reading } from '@tetrad/core';
import { providePrimeNG } from 'primeng/config';
import { CircuitDrawing } from '../src/app/bench/circuit/circuit-drawing';
import { SignOffDialog } from '../src/app/bench/job/sign-off-dialog';
import type { SignOffDraft } from '../src/app/bench/job/sign-off-dialog';
import { BENCH_STEPS } from '../src/app/bench/route/bench-steps';
import type { BenchStep } from '../src/app/bench/route/bench-steps';
import { RouteList } from '../src/app/bench/route/route-list';
import { findStep, stepNameOf } from '../src/app/bench/route/step-key';
import { CautionStrip } from '../src/app/bench/step/caution-strip';
import { ComplaintEntry } from '../src/app/bench/step/complaint-entry';
import { HalvedPathView } from '../src/app/bench/step/halved-path-view';
import { knownConditions } from '../src/app/bench/step/known-conditions';
import { StepPanel } from '../src/app/bench/step/step-panel';
import { understand } from '../src/app/bench/step/understand';
import { WorkOut } from '../src/app/bench/step/work-out';
import { draftOf, systemOf } from '../src/app/label/system-draft';
import { Clock } from '../src/app/state/clock/clock';
import { jobReducer, JobActions } from '../src/app/state/job/job.reducer';
import { outboxReducer } from '../src/app/state/outbox/outbox.reducer';
import { shopReducer } from '../src/app/state/shop/shop.reducer';
import { CountView } from '../src/app/waiting/count-view';
import { TimerChips } from '../src/app/waiting/timer-chips';
import { clockWords, runningCount, timerAt, waits } from '../src/app/waiting/timer-state';

const NOW = Date.parse('2026-03-02T10:00:00Z');
const subject = (readings: readonly Reading[] = [], more: Partial<Case> = {}): Case => ({
  format: 'tetrad-case/1',
  system: { nominalVolts: 12, battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } } },
  complaint: { symptoms: ['slow-crank'] },
  readings,
  ...more,
});
const rest: Reading = { id: 'a', test: 'resting-voltage', value: 12.64, conditions: { surfaceChargeRemoved: true } };
const ground: Reading = { id: 'g', test: 'drop-starter-ground', value: 2.9, conditions: { amps: 92 } };
const view = (given: Case, more: Partial<JobView> = {}): JobView => ({
  id: '00000000-0000-4000-8000-000000000009',
  version: 1,
  revision: 1,
  pass: 'before',
  vehicle: { id: 'v', name: 'Quay van', plate: 'Q-1', vin: null, year: null },
  status: 'open',
  assignee: null,
  criteria: 'balanced',
  openedAt: '2026-03-02T09:00:00Z',
  case: given,
  judgement: null,
  timers: [],
  acknowledgements: [],
  signOff: null,
  ...more,
});
const timer = (kind: TimerView['kind'], agoS: number, seconds: number): TimerView => ({
  id: `${kind} ${agoS}`,
  kind,
  seconds,
  startedAt: new Date(NOW - agoS * 1000).toISOString(),
});
const text = (fixture: ComponentFixture<unknown>): string =>
  (fixture.nativeElement as HTMLElement).textContent!.replace(/\s+/g, ' ').trim();
const button = (fixture: ComponentFixture<unknown>, words: string): HTMLButtonElement => {
  const all = [...document.querySelectorAll<HTMLButtonElement>('button')];
  const found =
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find((one) =>
      one.textContent!.includes(words),
    ) ?? all.find((one) => one.textContent!.includes(words));
  if (!found) throw new Error(`no button “${words}” in ${text(fixture)}`);
  return found;
};

beforeEach(() => {
  TestBed.configureTestingModule({
    providers: [
      { provide: ComponentFixtureAutoDetect, useValue: true },
      { provide: Clock, useValue: { now: () => NOW, ticking: () => NOW, watch: () => () => undefined } },
      provideRouter([]),
      providePrimeNG(),
      provideStore({ shop: shopReducer, job: jobReducer, outbox: outboxReducer }),
    ],
  });
});

describe('the route', () => {
  async function route(
    given: Case,
    step: BenchStep,
    next: NextStep | null = null,
    pass: 'before' | 'after' = 'before',
  ) {
    const fixture = TestBed.createComponent(RouteList);
    const names = BENCH_STEPS.map(stepNameOf).filter((name) => name !== null);
    for (const [name, value] of Object.entries({
      step,
      subject: given,
      pass,
      assessments: assessCase(given),
      next,
      blocked: blockedSteps(given, names),
      repeats: testsToRepeat(given),
    }))
      fixture.componentRef.setInput(name, value);
    const chosen: BenchStep[] = [];
    fixture.componentInstance.chosen.subscribe((entry) => chosen.push(entry));
    await fixture.whenStable();
    return { fixture, chosen };
  }

  it('folds what is not at hand, and keeps the four notes, what was read and what is next in sight', async () => {
    const next = judge(subject([rest, ground])).next[0]!;
    const { fixture } = await route(subject([rest, ground]), findStep('resting-voltage')!, next);
    for (const words of ['Resting voltage', '12.64 V', 'Cranking voltage', 'Ripple', '2.90 V', 'next'])
      expect(text(fixture)).toContain(words);
    expect(text(fixture)).not.toContain('Inrush current');
    button(fixture, 'Starting').click();
    await fixture.whenStable();
    expect(text(fixture)).toContain('Inrush current');
  });

  it('says what a blocked step waits for', async () => {
    const { fixture } = await route(subject([{ ...rest, value: 12.0 }]), findStep('resting-voltage')!);
    expect(button(fixture, 'Load test').title).toContain('below 75 %: charge it first');
  });

  it('after the repair lists the same tests, before beside after', async () => {
    const after: Reading = { ...ground, id: 'h', value: 0.09, pass: 'after' };
    const { fixture, chosen } = await route(
      subject([rest, ground, after]),
      findStep('resting-voltage')!,
      null,
      'after',
    );
    const line = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find((one) =>
      /2\.90 V\s*90 mV/.test(one.textContent!.replace(/\s+/g, ' ')),
    )!;
    line.click();
    expect(chosen.map(stepNameOf)).toEqual(['drop-starter-ground']);
  });
});

describe('the step panel', () => {
  async function panel(step: BenchStep, job: JobView) {
    const fixture = TestBed.createComponent(StepPanel);
    const judged = judge(job.case);
    for (const [name, value] of Object.entries({
      step,
      job,
      criteria: BALANCED,
      derived: judged.derived,
      assessments: assessCase(job.case),
      pending: new Set(),
      next: judged.next[0] ?? null,
      blocked: blockedSteps(job.case, [stepNameOf(step)!]).get(stepNameOf(step)!) ?? null,
      ticked: new Set(),
    }))
      fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    return fixture;
  }

  it('counts down to a crank only once its caution is acknowledged', async () => {
    const step = findStep('cranking-voltage')!;
    const before = await panel(step, view(subject([rest])));
    expect(button(before, 'Count down a crank').disabled).toBe(true);
    const known = [{ caution: 'cranking', by: 'Ilse', at: '2026-03-02T09:30:00Z' }] as const;
    const fixture = await panel(step, view(subject([rest]), { acknowledgements: known }));
    const started: unknown[] = [];
    fixture.componentInstance.waited.subscribe((wait) => started.push(wait));
    button(fixture, 'Count down a crank').click();
    expect(started).toEqual([{ kind: 'crank' }]);
    expect(text(fixture)).toContain('Ilse,');
  });

  it('lets the starter cool for a minute after a crank', async () => {
    const known = [{ caution: 'cranking', by: 'Ilse', at: '2026-03-02T09:30:00Z' }] as const;
    const job = view(subject([rest]), { acknowledgements: known, timers: [timer('crank', 40, 15)] });
    expect(button(await panel(findStep('cranking-voltage')!, job), 'Starter cools').disabled).toBe(true);
  });

  it('tells what another step costs while the judge asks for one, and nothing for that one itself', async () => {
    const job = view(subject());
    expect(text(await panel(findStep('conductance')!, job))).toContain(
      'About 1 min. Resting voltage would settle more now',
    );
    expect(text(await panel(findStep('resting-voltage')!, job))).not.toContain('would settle more');
  });

  it('halves a path that fails, and only then', async () => {
    expect(text(await panel(findStep('drop-starter-ground')!, view(subject([rest, ground]))))).toContain('Halve it');
    const good = { ...ground, value: 0.08 };
    expect(text(await panel(findStep('drop-starter-ground')!, view(subject([rest, good]))))).not.toContain('Halve it');
  });

  it('asks when to look again at a battery on the charger', async () => {
    const fixture = await panel(findStep('charge')!, view(subject([{ ...rest, value: 12 }])));
    const started: unknown[] = [];
    fixture.componentInstance.waited.subscribe((wait) => started.push(wait));
    const hours = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('.charge input')!;
    hours.value = '2,5';
    (fixture.nativeElement as HTMLElement).querySelector('form.charge')!.dispatchEvent(new Event('submit'));
    expect(started).toEqual([{ kind: 'charge', seconds: 9000 }]);
  });
});

describe('cautions', () => {
  it('are acknowledged by a name, never without', async () => {
    const fixture = TestBed.createComponent(CautionStrip);
    fixture.componentRef.setInput('step', 'alternator-current');
    fixture.componentRef.setInput('acknowledged', []);
    const accepted: unknown[] = [];
    fixture.componentInstance.accepted.subscribe((entry) => accepted.push(entry));
    await fixture.whenStable();
    expect(text(fixture)).toContain('The alternator stud is live');
    fixture.componentInstance.acceptOrAsk();
    expect(accepted).toEqual([]);
    const name = (fixture.nativeElement as HTMLElement).querySelector('input')!;
    name.value = ' Bo ';
    name.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    button(fixture, 'Understood').click();
    expect(accepted).toEqual([
      { caution: 'running', by: 'Bo' },
      { caution: 'stud', by: 'Bo' },
    ]);
  });
});

describe('timers', () => {
  it('of a crank the starter’s minute to cool follows by itself, and is then forgotten', () => {
    expect(waits([timer('crank', 10, 15)], NOW)).toEqual([]);
    expect(waits([timer('crank', 40, 15)], NOW)[0]!.timer.kind).toBe('cool-down');
    expect(waits([timer('crank', 76, 15)], NOW)).toEqual([]);
  });

  it('a count stays for a few seconds after its end, so that nobody misses what to do', () => {
    expect(runningCount([timer('crank', 17, 15)], NOW)?.state.over).toBe(true);
    expect(runningCount([timer('crank', 30, 15)], NOW)).toBeNull();
  });

  it.each([
    [9, '0:09'],
    [59.2, '1:00'],
    [3600, '1:00:00'],
    [7384, '2:03:04'],
  ])('%d s are shown as %s', (seconds, words) => {
    expect(clockWords(seconds)).toBe(words);
  });

  it('one that is over says what to do, leads there, and is put away', async () => {
    const fixture = TestBed.createComponent(TimerChips);
    fixture.componentRef.setInput('timers', [timer('settle', 200, 150), timer('charge', 60, 3600)]);
    const out: unknown[] = [];
    fixture.componentInstance.stopped.subscribe((id) => out.push(id));
    fixture.componentInstance.chosen.subscribe((step) => out.push(step));
    await fixture.whenStable();
    expect(text(fixture)).toContain('Settle is over. Read the resting voltage.');
    expect(text(fixture)).toContain('59:00');
    expect(document.title).toMatch(/^●/);
    button(fixture, 'Settle is over').click();
    button(fixture, 'Done').click();
    expect(out).toEqual(['resting-voltage', 'settle 200']);
  });

  it.each([
    [2, 'Ready', '3'],
    [6, 'Crank', '3'],
    [11, 'Keep cranking: read', '2'],
    [14, 'Stop', '1'],
  ])('%d s after the start the count says “%s” and shows %s', async (agoS, says, seconds) => {
    const fixture = TestBed.createComponent(CountView);
    fixture.componentRef.setInput('count', timerAt(timer('crank', agoS, 15), NOW));
    await fixture.whenStable();
    expect(text(fixture)).toContain(says);
    expect((fixture.nativeElement as HTMLElement).querySelector('.seconds')!.textContent).toBe(seconds);
  });
});

describe('the entry', () => {
  it('knows the amps and what a wait has made true, and assumes nothing else', () => {
    const step = findStep('drop-starter-ground');
    const draw: Reading = { id: 'd', test: 'starter-draw', value: 140 };
    if (step?.kind !== 'reading') throw new Error('no step');
    expect(knownConditions(step, subject([rest, draw]), new Set())).toEqual({ amps: 140 });
    expect(knownConditions(step, subject([rest, { ...draw, void: 'wrong scale' }]), new Set())).toEqual({});
    const drain = findStep('parasitic-draw');
    if (drain?.kind !== 'reading') throw new Error('no step');
    expect(knownConditions(drain, subject(), new Set())).toEqual({});
    expect(knownConditions(drain, subject(), new Set(['sleep'] as const))).toEqual({ minutesAsleep: 30 });
  });

  it.each([
    [['12.61'], 'resting-voltage', { state: 'value', value: 12.61 }],
    [['o.l.'], 'diode-reverse', { state: 'value', value: 'OL' }],
    [['1.26', ''], 'specific-gravity', { state: 'part', have: 1, of: 2 }],
    [['1.26', '1990'], 'specific-gravity', { state: 'impossible', index: 1 }],
    [['OL'], 'resting-voltage', { state: 'unclear' }],
    [[' '], 'resting-voltage', { state: 'empty' }],
  ] as const)('%j for %s is understood', (typed, test, expected) => {
    expect(understand(typed, test, 12)).toMatchObject(expected);
  });

  it('works amps out of a clamp’s volts by its scale, and rpm out of peaks', async () => {
    const taken: number[] = [];
    for (const [test, shown, words] of [
      ['starter-draw', '0.168', 'Take 168 A'],
      ['cranking-speed', '7', 'Take 210 rpm'],
    ] as const) {
      const fixture = TestBed.createComponent(WorkOut);
      fixture.componentRef.setInput('test', test);
      fixture.componentInstance.taken.subscribe((value) => taken.push(value));
      await fixture.whenStable();
      const field = (fixture.nativeElement as HTMLElement).querySelector('input')!;
      field.value = shown;
      field.dispatchEvent(new Event('input'));
      await fixture.whenStable();
      button(fixture, words).click();
      fixture.destroy();
    }
    expect(taken[0]).toBeCloseTo(168, 9);
    expect(taken[1]).toBe(210);
  });

  it('the drawing tells its leads to those who cannot see it, and draws only what the test needs', async () => {
    const fixture = TestBed.createComponent(CircuitDrawing);
    fixture.componentRef.setInput('test', 'starter-draw');
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    expect(host.querySelector('svg')!.getAttribute('aria-label')).toContain('clamp around all conductors');
    expect([host.querySelectorAll('.lead').length, host.querySelectorAll('ellipse.clamp').length]).toEqual([0, 1]);
    fixture.componentRef.setInput('test', 'drop-solenoid');
    await fixture.whenStable();
    expect([host.querySelectorAll('.lead').length, host.querySelectorAll('ellipse.clamp').length]).toEqual([2, 0]);
    expect(host.querySelectorAll('.wire.alive').length).toBeGreaterThan(2);
  });

  it('a halved path names the piece to measure next', async () => {
    const fixture = TestBed.createComponent(HalvedPathView);
    fixture.componentRef.setInput('subject', subject([rest, ground]));
    fixture.componentRef.setInput('test', 'drop-starter-ground');
    const chosen: string[] = [];
    fixture.componentInstance.chosen.subscribe((test) => chosen.push(test));
    await fixture.whenStable();
    expect(text(fixture)).toContain('Not explained yet2.90 V31.5 mΩ');
    button(fixture, 'Measure').click();
    expect(chosen).toEqual(['drop-engine-ground']);
  });
});

describe('the label', () => {
  const full: Case['system'] = {
    nominalVolts: 24,
    engine: { cylinders: 6, fuel: 'diesel', displacementLitres: 7.2 },
    battery: {
      chemistry: 'agm',
      rating: { value: 900, standard: 'EN' },
      capacityAh: 180,
      count: 2,
      arrangement: 'series',
      serviceable: false,
    },
    alternator: { ratedAmps: 150, regulation: 'fixed' },
    specified: { starterDrawAmps: { min: 200, max: 500 } },
  };

  it('typed and understood again is what it was; what it does not know is kept', () => {
    const odd = {
      ...full,
      specified: { ...full.specified, crankingVolts: { min: 19 } },
      gearbox: 'manual',
    } as Case['system'];
    expect(systemOf(draftOf(full))).toEqual({ ok: true, system: full });
    expect(systemOf(draftOf(odd), odd)).toEqual({ ok: true, system: odd });
  });

  it('what is emptied is gone, and does not come back from before', () => {
    const draft = { ...draftOf(full), rating: '', cylinders: '', alternator: '', arrangement: 'single' as const };
    const result = systemOf(draft, full);
    expect(result.ok && result.system.battery).toEqual({ chemistry: 'agm', capacityAh: 180, serviceable: false });
    expect(result.ok && result.system.engine).toEqual({ fuel: 'diesel', displacementLitres: 7.2 });
    expect(result.ok && result.system.alternator).toEqual({ regulation: 'fixed' });
  });

  it('every field that does not fit is named with what it holds and what is allowed', () => {
    const result = systemOf({ ...draftOf(full), rating: 'lots', cylinders: '40', chargeMax: '-1' });
    expect(result.ok ? [] : result.problems).toEqual([
      { field: 'rating', text: 'Found “lots”; allowed is 1 to 3000 A.' },
      { field: 'cylinders', text: 'Found “40”; allowed is 1 to 16.' },
      { field: 'chargeMax', text: 'Found “-1”; allowed is 0 to 60 V.' },
    ]);
  });

  it('the complaint is changed symptom by symptom, and what was replaced is noted', async () => {
    const fixture = TestBed.createComponent(ComplaintEntry);
    fixture.componentRef.setInput(
      'subject',
      subject([], { complaint: { symptoms: ['slow-crank'], partsAlreadyReplaced: ['horn'] } }),
    );
    const changed: unknown[] = [];
    fixture.componentInstance.changed.subscribe((complaint) => changed.push(complaint));
    await fixture.whenStable();
    const boxes = [...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLInputElement>('input')];
    const box = (words: string) => boxes.find((one) => one.parentElement!.textContent!.includes(words))!;
    expect(box('horn').checked).toBe(true);
    box('Cranks slowly').dispatchEvent(new Event('change'));
    box('starter').dispatchEvent(new Event('change'));
    expect(changed).toEqual([
      { symptoms: [], partsAlreadyReplaced: ['horn'] },
      expect.objectContaining({ symptoms: ['slow-crank'] }),
    ]);
  });
});

describe('the sign-off', () => {
  async function dialog(given: Case) {
    const fixture = TestBed.createComponent(SignOffDialog);
    fixture.componentRef.setInput('job', view(given));
    fixture.componentRef.setInput('judgement', judge(given));
    const signed: SignOffDraft[] = [];
    fixture.componentInstance.signed.subscribe((draft) => signed.push(draft));
    await fixture.whenStable();
    const field = async (label: string, value: string) => {
      const found = [...document.querySelectorAll('label')].find((one) => one.textContent!.includes(label))!;
      const input = found.querySelector<HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement>(
        'input, select, textarea',
      )!;
      input.value = value;
      input.dispatchEvent(new Event(input instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }));
      await fixture.whenStable();
    };
    const submit = async () => {
      document.querySelector('form')!.dispatchEvent(new Event('submit'));
      await fixture.whenStable();
    };
    return { fixture, signed, field, submit };
  }
  const stop = subject([rest], { observations: [{ about: 'battery-case', finding: 'swollen' }] });

  it('begins with the judge’s decision and needs a name', async () => {
    const { signed, field, submit } = await dialog(stop);
    await submit();
    expect(signed).toEqual([]);
    expect(document.body.textContent).toContain('a name of 1 to 80 characters');
    await field('Your name', 'Ilse');
    await field('Parts fitted', 'battery 560 A, , clamp');
    await submit();
    expect(signed).toEqual([
      expect.objectContaining({ by: 'Ilse', action: 'stop', partsFitted: ['battery 560 A', 'clamp'] }),
    ]);
    expect(signed[0]).not.toHaveProperty('reason');
  });

  it('of an open job the decision is the technician’s alone, with its reason', async () => {
    const { signed, field, submit } = await dialog(subject([rest]));
    await field('Decision taken', 'repair');
    await field('Part', 'connections');
    await field('Conclusion', 'A loose clamp was tightened.');
    await field('Your name', 'Bo');
    await submit();
    expect(document.body.textContent).toContain('The judge says otherwise: say why.');
    await field('Why it differs', 'Seen with my own eyes.');
    await submit();
    expect(signed).toEqual([
      expect.objectContaining({ action: 'repair', part: 'connections', reason: 'Seen with my own eyes.' }),
    ]);
  });
});

describe('live news', () => {
  it('an older view of a job never takes a newer one’s place', () => {
    const store = TestBed.inject(Store);
    const newer = view(subject([rest]), { revision: 5 });
    store.dispatch(JobActions.opened({ id: newer.id }));
    store.dispatch(JobActions.loaded({ job: newer }));
    store.dispatch(JobActions.loaded({ job: view(subject(), { revision: 4 }) }));
    let readings = -1;
    store.subscribe((state) => {
      readings = (state as { job: { jobs: Record<string, JobView> } }).job.jobs[newer.id]!.case.readings.length;
    });
    expect(readings).toBe(1);
  });
});
