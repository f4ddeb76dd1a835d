/** The step at hand: its panel, its cautions, its entry. */
import { TestBed } from '@angular/core/testing';
import type { JobView } from '@tetrad/contracts';
import { BALANCED, assessCase, blockedSteps, judge, survey } from '@tetrad/core';
import type { Reading, ReadingStep, RouteStep, WaitKind } from '@tetrad/core';
import { CircuitDrawing } from '../src/app/screens/bench/circuit/circuit-drawing';
import { findStep, stepNameOf } from '../src/app/screens/bench/route/step-key';
import { CautionStrip } from '../src/app/screens/bench/step/caution-strip';
import { HalvedPathView } from '../src/app/screens/bench/step/halved-path-view';
import { knownConditions } from '../src/app/screens/bench/step/known-conditions';
import { StepPanel } from '../src/app/screens/bench/step/step-panel';
import { understand } from '../src/app/screens/bench/step/understand';
import { WorkOut } from '../src/app/screens/bench/step/work-out';
import { subject, rest, ground, view, timer, text, button, standingBed } from './bench-fixtures';

beforeEach(standingBed);

describe('the step panel', () => {
  async function panel(step: RouteStep, job: JobView) {
    const fixture = TestBed.createComponent(StepPanel);
    const judged = judge(job.case);
    const { situation } = survey(job.case);
    for (const [name, value] of Object.entries({
      step,
      job,
      criteria: BALANCED,
      situation,
      derived: judged.derived,
      assessments: assessCase(job.case),
      pending: new Set(),
      next: judged.next[0] ?? null,
      blocked: blockedSteps(situation, [stepNameOf(step)!]).get(stepNameOf(step)!) ?? null,
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

describe('the entry', () => {
  const known = (step: ReadingStep, readings: readonly Reading[], waits: readonly WaitKind[] = []) =>
    knownConditions(step, survey(subject(readings)).situation, new Set(waits), undefined);

  it('knows the amps and what a wait has made true, and assumes nothing else', () => {
    const step = findStep('drop-starter-ground');
    const draw: Reading = { id: 'd', test: 'starter-draw', value: 140 };
    if (step?.kind !== 'reading') throw new Error('no step');
    expect(known(step, [rest, draw])).toEqual({ amps: 140 });
    expect(known(step, [rest, { ...draw, void: 'wrong scale' }])).toEqual({});
    const drain = findStep('parasitic-draw');
    if (drain?.kind !== 'reading') throw new Error('no step');
    expect(known(drain, [])).toEqual({});
    expect(known(drain, [], ['sleep'])).toEqual({ minutesAsleep: 30 });
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
    fixture.componentRef.setInput('situation', survey(subject([rest, ground])).situation);
    fixture.componentRef.setInput('test', 'drop-starter-ground');
    const chosen: string[] = [];
    fixture.componentInstance.chosen.subscribe((test) => chosen.push(test));
    await fixture.whenStable();
    expect(text(fixture)).toContain('Not explained yet2.90 V31.5 mΩ');
    button(fixture, 'Measure').click();
    expect(chosen).toEqual(['drop-engine-ground']);
  });
});
