import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { Store } from '@ngrx/store';
import type { FloorRow, JobView, NewJob } from '@tetrad/contracts';
import { assessCase, fourNoteProfile, judge, rulerScale } from '@tetrad/core';
import type { Case, Reading, StepName } from '@tetrad/core';
import { JobActions } from '../src/app/job/jobs.feature';
import { GradeMark } from '../src/app/kit/grade-mark';
import { Ruler } from '../src/app/kit/ruler';
import { VoltSteps } from '../src/app/kit/volt-steps';
import { Verdicts } from '../src/app/screens/bench/says/verdicts';
import { Attempts } from '../src/app/screens/bench/step/attempts';
import { NewJobDialog } from '../src/app/screens/floor/new-job-dialog';
import { Report } from '../src/app/screens/report/report';
import { FloorActions, floorFeature } from '../src/app/state/floor/floor.feature';
import { mayRetry, problemOf } from '../src/app/api/loading';
import { pick, standingBed, submit, typeInto } from './bench-fixtures';

const subject = (...readings: Reading[]): Case => ({
  format: 'tetrad-case/1',
  system: { nominalVolts: 12, battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } } },
  complaint: { symptoms: ['slow-crank'] },
  readings,
});
const resting: Reading = { id: 'a', test: 'resting-voltage', value: 12.62 };
const cranking: Reading = { id: 'b', test: 'cranking-voltage', value: 8.2, conditions: { method: 'min-max' } };
const voided: Reading = { id: 'c', test: 'cranking-voltage', value: 6.1, void: 'clamp slipped' };
const text = (fixture: ComponentFixture<unknown>): string =>
  (fixture.nativeElement as HTMLElement).textContent!.replace(/\s+/g, ' ');

beforeEach(standingBed);

describe('the verdicts', () => {
  async function shown(...readings: Reading[]) {
    const fixture = TestBed.createComponent(Verdicts);
    const judged = judge(subject(...readings));
    fixture.componentRef.setInput('judgement', judged);
    fixture.componentRef.setInput('readings', readings);
    fixture.componentRef.setInput('next', judged.next[0] ?? null);
    const chosen: StepName[] = [];
    fixture.componentInstance.chosen.subscribe(({ test }) => chosen.push(test));
    await fixture.whenStable();
    return { fixture, chosen, host: fixture.nativeElement as HTMLElement };
  }

  it('say what is open, what leads and with which evidence', async () => {
    const { fixture } = await shown(resting, cranking);
    expect(text(fixture)).toContain('Not proven yet');
    expect(text(fixture)).toContain('Battery worn');
    expect(text(fixture)).toMatch(/\+ ?cranking pulled the posts down/);
  });

  it('lead to the step they ask for', async () => {
    const { host, chosen } = await shown();
    host.querySelector<HTMLButtonElement>('button.go')!.click();
    expect(chosen).toEqual(['resting-voltage']);
  });

  it('name what is missing, and open the reading behind a line of evidence', async () => {
    const { host, chosen } = await shown(resting, cranking);
    const missing = [...host.querySelectorAll<HTMLButtonElement>('.missing button')];
    expect(missing.length).toBeGreaterThan(0);
    host.querySelector<HTMLButtonElement>('details li button')!.click();
    expect(['resting-voltage', 'cranking-voltage']).toContain(chosen[0]);
  });
});

describe('the attempts', () => {
  it('keep the voided one in context, void with a reason only, and tell what is not stored', async () => {
    const fixture = TestBed.createComponent(Attempts);
    fixture.componentRef.setInput('attempts', assessCase(subject(resting, cranking, voided)).slice(1));
    fixture.componentRef.setInput('pending', new Set(['b']));
    const out: unknown[] = [];
    fixture.componentInstance.voided.subscribe((entry) => out.push(entry));
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    expect(text(fixture)).toContain('Voided: clamp slipped');
    expect(text(fixture)).toContain('not stored yet');
    host.querySelector<HTMLButtonElement>('li button')!.click();
    await fixture.whenStable();
    host.querySelector('form')!.dispatchEvent(new Event('submit'));
    expect(out).toEqual([]);
    const box = host.querySelector<HTMLInputElement>('input')!;
    box.value = ' lamps on ';
    box.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    host.querySelector('form')!.dispatchEvent(new Event('submit'));
    expect(out).toEqual([{ id: 'b', reason: 'lamps on' }]);
  });
});

describe('a new job', () => {
  async function dialog() {
    const fixture = TestBed.createComponent(NewJobDialog);
    const opened: NewJob[] = [];
    fixture.componentInstance.opened.subscribe((draft) => opened.push(draft));
    await fixture.whenStable();
    return { fixture, opened, said: () => document.body.textContent! };
  }

  it('needs a name and nothing else', async () => {
    const { fixture, opened, said } = await dialog();
    await submit(fixture);
    expect(opened).toEqual([]);
    expect(said()).toContain('Needed: text of 1 to 80 characters.');
    await typeInto(fixture, 'Vehicle', 'Quay van');
    await submit(fixture);
    expect(opened).toEqual([
      expect.objectContaining({
        vehicle: expect.objectContaining({ name: 'Quay van' }),
        system: { nominalVolts: 12, battery: { chemistry: 'flooded' } },
      }),
    ]);
  });

  it.each(['0', '-5', 'lots'])('refuses a rating of %s and says what is allowed', async (rating) => {
    const { fixture, opened, said } = await dialog();
    await typeInto(fixture, 'Vehicle', 'Quay van');
    await typeInto(fixture, 'Battery rating', rating);
    await submit(fixture);
    expect(opened).toEqual([]);
    expect(said()).toMatch(/above 0, at most 5000 \(A\)/);
  });

  it('tells what a CA figure is in CCA', async () => {
    const { fixture, said } = await dialog();
    await pick(fixture, 'Standard', 'CA');
    await typeInto(fixture, 'Battery rating', '700');
    expect(said()).toContain('About 560 A CCA');
  });
});

describe('the report', () => {
  const view: JobView = {
    id: '00000000-0000-4000-8000-000000000009',
    version: 1,
    revision: 1,
    pass: 'before',
    vehicle: { id: 'v', name: 'Quay van', plate: 'Q-1', vin: null, year: null, group: null, batteryFittedOn: null },
    status: 'open',
    assignee: 'Ilse',
    criteria: 'balanced',
    openedAt: '2026-03-02T09:00:00Z',
    case: subject(resting, cranking, voided),
    judgement: null,
    timers: [],
    acknowledgements: [],
    signOff: null,
    criteriaSet: null,
    outcome: null,
    supersededSignOff: null,
    imported: null,
    importedSignOff: null,
  };
  async function report(job: JobView) {
    const fixture = TestBed.createComponent(Report);
    fixture.componentRef.setInput('id', job.id);
    await fixture.whenStable();
    TestBed.inject(Store).dispatch(JobActions.loaded({ job }));
    await fixture.whenStable();
    return text(fixture);
  }

  it('holds every reading with its limit and method, the voided too, and what each school says', async () => {
    const shown = await report(view);
    for (const words of [
      'Quay van',
      'Cranks slowly',
      '12.62 V',
      '8.20 V',
      'Outside',
      'Voided: clamp slipped',
      'method min-max',
      'Careful',
      'Heavy duty',
    ])
      expect(shown).toContain(words);
  });

  it('of a job without readings says so', async () => {
    expect(await report({ ...view, case: subject() })).toContain('Nothing has been read yet');
  });
});

describe('marks', () => {
  it.each([
    ['within', 'Within'],
    ['near', 'Borderline'],
    ['outside', 'Outside'],
    ['void', 'Void'],
    ['noted', 'Noted'],
  ] as const)('%s has a shape and a word of its own', async (grade, word) => {
    const fixture = TestBed.createComponent(GradeMark);
    fixture.componentRef.setInput('grade', grade);
    await fixture.whenStable();
    expect(text(fixture).trim()).toBe(word);
    expect((fixture.nativeElement as HTMLElement).querySelector('svg')!.children.length).toBeGreaterThan(0);
  });

  it('the ruler keeps the reading on it, however far out it lies', async () => {
    for (const value of [0.01, 8.2, 19.9]) {
      const fixture = TestBed.createComponent(Ruler);
      const { resolved, grade } = assessCase(subject(resting, { ...cranking, value }))[1]!;
      fixture.componentRef.setInput('scale', rulerScale(resolved!));
      fixture.componentRef.setInput('grade', grade);
      await fixture.whenStable();
      const x = Number(
        /M([\d.]+)/.exec((fixture.nativeElement as HTMLElement).querySelector('.hand')!.getAttribute('d')!)![1],
      );
      expect(x).toBeGreaterThanOrEqual(0);
      expect(x).toBeLessThanOrEqual(400);
    }
  });

  it('the budget names each piece with volts and milliohms', async () => {
    const fixture = TestBed.createComponent(VoltSteps);
    fixture.componentRef.setInput(
      'budget',
      judge(subject(resting, cranking, { id: 'd', test: 'starter-draw', value: 200 })).budget.starting,
    );
    await fixture.whenStable();
    expect(text(fixture)).toMatch(/battery ?−4.42 V ?22.1 mΩ/);
    expect(text(fixture)).toMatch(/left for the starter ?8.20 V/);
  });
});

describe('the profile’s geometry', () => {
  it('keeps every level inside the axis and the order of volts, at 6, 12 and 24 V', () => {
    for (const nominal of [6, 12, 24] as const) {
      const scale = nominal / 12;
      const of = (value: number, test: Reading['test'], id: string): Reading => ({ id, test, value: value * scale });
      const whole = {
        ...subject(
          of(12.6, 'resting-voltage', 'r'),
          of(9.9, 'cranking-voltage', 'c'),
          of(14.2, 'charging-voltage', 'g'),
          of(0.1, 'ripple-ac', 'w'),
        ),
      };
      const shape = fourNoteProfile(assessCase({ ...whole, system: { ...whole.system, nominalVolts: nominal } }), {
        ...whole.system,
        nominalVolts: nominal,
      });
      const [rest, crank, charge] = shape.notes.map(({ y }) => y!);
      expect(charge!).toBeLessThan(rest!);
      expect(rest!).toBeLessThan(crank!);
      expect(shape.notes.every(({ y }) => y! >= 0 && y! <= 1)).toBe(true);
      expect(shape.ripple!.half).toBeCloseTo(0.02, 5);
    }
  });
});

describe('state', () => {
  it('a failed floor keeps the rows it has', () => {
    const row = { id: 'j' } as FloorRow;
    const { reducer } = floorFeature;
    const loaded = reducer(undefined, FloorActions.loaded({ rows: [row], isWhole: true }));
    const problem = { type: 't', title: 't', status: 0, detail: 'away' };
    expect(reducer(loaded, FloorActions.failed({ problem }))).toMatchObject({
      ids: ['j'],
      loading: { state: 'failed', problem },
    });
  });

  it('the pages of a floor add up, and what was there stays until all is known again', () => {
    const { reducer } = floorFeature;
    const rows = ['a', 'b', 'c', 'd'].map((id) => ({ id, status: 'open' }) as FloorRow);
    const told = (state: ReturnType<typeof reducer>, to: number, isWhole: boolean) =>
      reducer(state, FloorActions.loaded({ rows: rows.slice(0, to), isWhole }));
    const whole = told(told(undefined!, 2, false), 4, true);
    expect(whole.ids).toEqual(['a', 'b', 'c', 'd']);
    const again = told(whole, 1, false);
    expect(again.ids).toEqual(['a', 'b', 'c', 'd']);
    expect(told(again, 3, true).ids).toEqual(['a', 'b', 'c']);
  });

  it('a job that changed is told by its row; one that is closed or not to be seen is gone', () => {
    const { reducer } = floorFeature;
    const row = (id: string, more: object = {}) => ({ id, status: 'open', readings: 1, ...more }) as FloorRow;
    const before = reducer(undefined, FloorActions.loaded({ rows: [row('a'), row('b'), row('c')], isWhole: true }));
    const ids = ['a', 'b', 'c', 'd'];
    const rows = [row('a', { readings: 2 }), row('b', { status: 'closed' }), row('d')];
    const after = reducer(before, FloorActions.changed({ ids, rows }));
    expect([after.ids, after.entities['a']!.readings]).toEqual([['a', 'd'], 2]);
  });

  it('an answer that is no problem document is still explained', () => {
    const problem = problemOf({ status: 0, error: new ProgressEvent('error') } as never);
    expect(problem.detail).toContain('kept on this device');
    expect(mayRetry(problem)).toBe(true);
    expect(mayRetry(problemOf({ status: 422, error: { detail: 'no', status: 422 } } as never))).toBe(false);
  });
});
