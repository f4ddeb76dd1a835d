/** The step at hand: what it asks, what it shows, and what stands beside its entry. */
import { TestBed } from '@angular/core/testing';
import { Store } from '@ngrx/store';
import { judge, stepOf, survey } from '@tetrad/core';
import type { Reading } from '@tetrad/core';
import { JobActions } from '../src/app/job/jobs.feature';
import { Settings } from '../src/app/device/settings';
import { CircuitDrawing } from '../src/app/circuit/circuit-drawing';
import { StepAtHand } from '../src/app/screens/bench/step-at-hand';
import { CautionStrip } from '../src/app/screens/bench/step/caution-strip';
import { HalvedPathView } from '../src/app/screens/bench/step/halved-path-view';
import { WorkOut } from '../src/app/screens/bench/step/work-out';
import {
  button,
  ground,
  queuedActs,
  rest,
  standingBed,
  subject,
  submit,
  text,
  timer,
  typeInto,
  view,
} from './bench-fixtures';
import { UNDERSTOOD, panel } from './step-page';

beforeEach(standingBed);

describe('the step panel', () => {
  it('counts down to a crank only once its caution is acknowledged', async () => {
    const before = await panel('cranking-voltage', view(subject([rest])));
    expect(button(before.fixture, 'Count down a crank').disabled).toBe(true);
    before.store.acknowledge({ caution: 'cranking' });
    await before.fixture.whenStable();
    button(before.fixture, 'Count down a crank').click();
    expect(queuedActs().at(-1)).toMatchObject({ kind: 'timer', body: { kind: 'crank' } });
    expect(before.said()).toContain('Ilse Marrow,');
  });

  it('a foot switch whose key was told saves as Enter does, and its key does nothing where none was told', async () => {
    const { fixture } = await panel('resting-voltage', view(subject([])));
    const press = () => document.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageDown', cancelable: true }));
    typeInto(fixture, 'Resting voltage', '12.61');
    await fixture.whenStable();
    press();
    await fixture.whenStable();
    expect(queuedActs()).toEqual([]);
    TestBed.inject(Settings).set({ footSwitch: 'PageDown' });
    press();
    await fixture.whenStable(); // it asks what the reading depends on
    press();
    await fixture.whenStable();
    expect(queuedActs().at(-1)).toMatchObject({ kind: 'reading', body: { reading: { value: 12.61 } } });
    TestBed.inject(Settings).set({ footSwitch: 'none' });
  });

  it('shows the label large where the judge doubts it; one key confirms it, another corrects it', async () => {
    const leaning: Reading[] = [
      rest,
      { id: 'c', test: 'conductance', value: 250 },
      { id: 'i', test: 'internal-resistance', value: 0.016 },
      { id: 'v', test: 'cranking-voltage', value: 10.6, conditions: { method: 'watched', seconds: 8 } },
    ];
    const job = view(subject(leaning));
    expect(judge(job.case).next[0]!.test).toBe('label');
    const { fixture, said } = await panel('label', job);
    expect(said()).toContain('560 A SAE');
    expect(said()).toContain('fails only by figures that lean on its label');
    let corrected = 0;
    fixture.componentInstance.corrects.subscribe(() => (corrected += 1));
    const press = (key: string) => document.dispatchEvent(new KeyboardEvent('keydown', { key }));
    press('2');
    await fixture.whenStable();
    expect(corrected).toBe(1);
    press('1');
    await fixture.whenStable();
    expect(queuedActs().at(-1)).toMatchObject({
      kind: 'changes',
      body: { system: { battery: { rating: { value: 560, standard: 'SAE', confirmed: true } } } },
    });
    expect(said()).not.toContain('lean on its label');
  });

  it('leaves the focus where a person put it while the server answers, and with a dialog that is open', async () => {
    const job = view(subject([rest]));
    const { fixture } = await panel('resting-voltage', job);
    const drawn = () => new Promise((resolve) => setTimeout(resolve, 20));
    await drawn();
    const field = document.body.appendChild(document.createElement('input'));
    field.focus();
    TestBed.inject(Store).dispatch(JobActions.loaded({ job: { ...job, revision: 2, case: subject([rest]) } }));
    await fixture.whenStable();
    await drawn();
    expect(document.activeElement).toBe(field);
    const dialog = document.body.appendChild(document.createElement('div'));
    dialog.setAttribute('role', 'dialog');
    const another = { ...rest, id: 'b', value: 12.6 };
    TestBed.inject(Store).dispatch(JobActions.loaded({ job: { ...job, revision: 3, case: subject([rest, another]) } }));
    await fixture.whenStable();
    await drawn();
    expect(document.activeElement).toBe(field);
    dialog.remove();
    field.remove();
  });

  it('lets the starter cool for a minute after a crank', async () => {
    const job = view(subject([rest]), { acknowledgements: UNDERSTOOD, timers: [timer('crank', 40, 15)] });
    expect(button((await panel('cranking-voltage', job)).fixture, 'Starter cools').disabled).toBe(true);
  });

  it('says why the judge asks for this step, and of any other what it costs', async () => {
    const { fixture, said } = await panel('resting-voltage', view(subject()));
    expect(said()).toContain('Start with the resting voltage');
    TestBed.inject(StepAtHand).goTo('conductance');
    await fixture.whenStable();
    expect(said()).toContain('About 1 min. Resting voltage would settle more now');
    expect(said()).not.toContain('Everything leans');
  });

  it('names what is read at the same hook-up, and leads there', async () => {
    const job = view(subject([rest]));
    const next = judge(job.case).next.map(({ test }) => test);
    const first = next.find((one) =>
      next.some((other) => other !== one && stepOf(other)?.place === stepOf(one)?.place),
    )!;
    const { fixture, host } = await panel(first, job);
    const chosen: string[] = [];
    fixture.componentInstance.chosen.subscribe((test) => chosen.push(test));
    for (const link of host.querySelectorAll<HTMLButtonElement>('.hook button')) link.click();
    const beside = next.filter((one) => one !== first && stepOf(one)?.place === stepOf(first)?.place);
    expect(beside.length).toBeGreaterThan(0);
    expect(chosen).toEqual(beside);
  });

  it('shows what was read first: value, grade, ruler and why; a failing path is halved, a good one is not', async () => {
    const { said, host } = await panel('drop-starter-ground', view(subject([rest, ground])));
    expect(host.querySelector('.number')!.textContent).toBe('2.90 V');
    expect(host.querySelector('tt-reading-entry')).toBeNull();
    for (const words of ['Outside', 'is above its limit', 'Narrow it down']) expect(said()).toContain(words);
    expect(host.querySelector('tt-ruler .hand')).not.toBeNull();
  });

  it('of a path that is good nothing is halved', async () => {
    const { said } = await panel('drop-starter-ground', view(subject([rest, { ...ground, value: 0.08 }])));
    expect(said()).toContain('Within');
    expect(said()).not.toContain('Narrow it down');
  });

  it('a digit typed at a step that was read begins the next reading of it; Alt and letters do not', async () => {
    const { fixture, boxes, host } = await panel('resting-voltage', view(subject([rest])));
    const press = (key: string, more: KeyboardEventInit = {}) =>
      document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, ...more }));
    press('x');
    press('4', { altKey: true });
    await fixture.whenStable();
    expect(boxes()).toEqual([]);
    press('1');
    await new Promise((resolve) => setTimeout(resolve, 5));
    await fixture.whenStable();
    expect(boxes()[0]!.value).toBe('1');
    expect(host.querySelector('tt-attempts')!.textContent).toContain('12.64 V');
  });

  it('of a closed job what was read is shown; nothing is read again or voided', async () => {
    const { said } = await panel('resting-voltage', view(subject([rest]), { status: 'closed' }));
    expect(said()).toContain('Read so far');
    expect(said()).not.toContain('Again');
    expect(said()).not.toContain('Void');
    const other = await panel('cranking-voltage', view(subject([rest]), { status: 'closed' }));
    expect(other.said()).toContain('This job is closed. Reopen it to read or change anything.');
    expect(other.fixture.nativeElement.querySelector('input')).toBeNull();
  });

  it('asks when to look again at a battery on the charger', async () => {
    const { fixture } = await panel('charge', view(subject([{ ...rest, value: 12 }])));
    await typeInto(fixture, 'Look again after', '2,5');
    await submit(fixture);
    expect(queuedActs().at(-1)).toMatchObject({ kind: 'timer', body: { kind: 'charge', seconds: 9000 } });
  });

  it('refuses a charge of a fortnight and says what is allowed', async () => {
    const { fixture, said } = await panel('charge', view(subject([{ ...rest, value: 12 }])));
    await typeInto(fixture, 'Look again after', '336');
    await submit(fixture);
    expect(said()).toContain('Found “336”; allowed is a number, above 0, at most 72 (h).');
    expect(queuedActs()).toEqual([]);
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
    fixture.componentInstance.accept();
    expect(accepted).toEqual([{ caution: 'running' }, { caution: 'stud' }]);
  });
});

describe('beside the entry', () => {
  it('amps are worked out of a clamp’s volts by its scale, and rpm out of peaks', async () => {
    const taken: number[] = [];
    for (const [test, shown, label, words] of [
      ['starter-draw', '0.168', 'Meter shows', 'Take 168 A'],
      ['cranking-speed', '7', 'Peaks per second', 'Take 210 rpm'],
    ] as const) {
      const fixture = TestBed.createComponent(WorkOut);
      fixture.componentRef.setInput('test', test);
      fixture.componentInstance.taken.subscribe((value) => taken.push(value));
      await fixture.whenStable();
      await typeInto(fixture, label, shown);
      expect(button(fixture, words).disabled).toBe(false);
      await submit(fixture);
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
    fixture.componentRef.setInput('gradedCase', survey(subject([rest, ground])).gradedCase);
    fixture.componentRef.setInput('test', 'drop-starter-ground');
    const chosen: string[] = [];
    fixture.componentInstance.chosen.subscribe((test) => chosen.push(test));
    await fixture.whenStable();
    expect(text(fixture)).toContain('Not explained yet2.90 V31.5 mΩ');
    button(fixture, 'Measure').click();
    expect(chosen).toEqual(['drop-engine-ground']);
  });
});
