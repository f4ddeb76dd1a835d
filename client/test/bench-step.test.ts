/** The step at hand: what it asks, what it shows, and what its entries store. */
import { TestBed } from '@angular/core/testing';
import { MessageService } from 'primeng/api';
import type { JobView } from '@tetrad/contracts';
import { judge, stepOf, survey } from '@tetrad/core';
import type { Case, Reading, ReadingStep, StepName, WaitKind } from '@tetrad/core';
import { Figures } from '../src/app/device/figures';
import { Settings } from '../src/app/device/settings';
import { CircuitDrawing } from '../src/app/screens/bench/circuit/circuit-drawing';
import { PackDrawing } from '../src/app/screens/bench/circuit/pack-drawing';
import { findStep, stepNameOf } from '../src/app/screens/bench/route/step-key';
import { StepAtHand } from '../src/app/screens/bench/step-at-hand';
import { CautionStrip } from '../src/app/screens/bench/step/caution-strip';
import { HalvedPathView } from '../src/app/screens/bench/step/halved-path-view';
import { knownConditions } from '../src/app/screens/bench/step/known-conditions';
import { StepPanel } from '../src/app/screens/bench/step/step-panel';
import { understand } from '../src/app/screens/bench/step/understand';
import { WorkOut } from '../src/app/screens/bench/step/work-out';
import {
  button,
  ground,
  openJob,
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

beforeEach(standingBed);

const UNDERSTOOD = [{ caution: 'cranking', by: 'Ilse', at: '2026-03-02T09:30:00Z' }] as const;

async function panel(name: StepName, job: JobView, loads?: 'on' | 'off') {
  const store = openJob(job);
  TestBed.inject(StepAtHand).goTo(name, loads);
  const fixture = TestBed.createComponent(StepPanel);
  await fixture.whenStable();
  const host = fixture.nativeElement as HTMLElement;
  const boxes = () => [...host.querySelectorAll<HTMLInputElement>('.reading, .cell')];
  const type = async (typed: string, at = 0) => {
    const box = boxes()[at]!;
    box.value = typed;
    box.dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };
  const send = async () => {
    host.querySelector('form')!.dispatchEvent(new Event('submit'));
    await fixture.whenStable();
  };
  const stored = () => queuedActs().flatMap((item) => (item.kind === 'reading' ? [item.body.reading] : []));
  const at = () => stepNameOf(TestBed.inject(StepAtHand).step());
  return { store, fixture, host, type, send, stored, boxes, at, said: () => text(fixture) };
}

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

  it('lets the starter cool for a minute after a crank', async () => {
    const job = view(subject([rest]), { acknowledgements: UNDERSTOOD, timers: [timer('crank', 40, 15)] });
    expect(button((await panel('cranking-voltage', job)).fixture, 'Starter cools').disabled).toBe(true);
  });

  it('says why the judge asks for this step, and of any other what it costs', async () => {
    const { fixture, said } = await panel('resting-voltage', view(subject()));
    expect(said()).toContain('Everything leans on the resting voltage');
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
    for (const words of ['Outside', 'is above its limit', 'Halve it']) expect(said()).toContain(words);
    expect(host.querySelector('tt-ruler .hand')).not.toBeNull();
  });

  it('of a path that is good nothing is halved', async () => {
    const { said } = await panel('drop-starter-ground', view(subject([rest, { ...ground, value: 0.08 }])));
    expect(said()).toContain('Within');
    expect(said()).not.toContain('Halve it');
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

describe('the entry', () => {
  it('grades while it is typed and stores volts, with the conditions that were asked', async () => {
    const { type, send, stored, said } = await panel('resting-voltage', view(subject()));
    await type('12,31');
    expect(said()).toContain('Outside');
    await send();
    expect(stored()).toEqual([expect.objectContaining({ test: 'resting-voltage', value: 12.31, conditions: {} })]);
  });

  it('after Enter goes where the judge points, and tells what was done with a way back', async () => {
    const told: unknown[] = [];
    TestBed.inject(MessageService).messageObserver.subscribe((message) => told.push(message));
    const { type, send, at } = await panel('resting-voltage', view(subject()));
    await type('12.63');
    await send();
    expect(at()).not.toBe('resting-voltage');
    expect(at()).toBe(TestBed.inject(StepAtHand).next()!.test);
  });

  it('told to stop, asks for nothing more: what was read last is shown, and leads to signing off', async () => {
    const stopped = view(subject([rest], { observations: [{ about: 'battery-case', finding: 'frozen' }] }));
    openJob(stopped);
    const steps = TestBed.inject(StepAtHand);
    expect([steps.next(), stepNameOf(steps.step())]).toEqual([null, 'resting-voltage']);
    const { fixture } = await panel('resting-voltage', stopped);
    let decided = 0;
    fixture.componentInstance.decided.subscribe(() => (decided += 1));
    button(fixture, 'Sign off').click();
    expect(decided).toBe(1);
  });

  it('in the four notes goes on to the next note, though the judge would look elsewhere', async () => {
    TestBed.inject(Settings).set({ afterEnter: 'notes' });
    openJob(view(subject()));
    const fixture = TestBed.createComponent(StepPanel); // nothing was chosen: the judge points at the step at hand
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    const box = host.querySelector<HTMLInputElement>('.reading')!;
    box.value = '12.63';
    box.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    host.querySelector('form')!.dispatchEvent(new Event('submit'));
    await fixture.whenStable();
    TestBed.inject(Settings).set({ afterEnter: 'judge' });
    expect(stepNameOf(TestBed.inject(StepAtHand).step())).toBe('cranking-voltage');
  });

  it('knows that the surface charge is off only once the settling is over', async () => {
    const timers = [timer('settle', 200, 150)];
    const { type, send, stored } = await panel('resting-voltage', view(subject(), { timers }));
    await type('12.6');
    await send();
    expect(stored()[0]!.conditions).toEqual({ surfaceChargeRemoved: true });
  });

  it('asks back for 1261, offers 12.61, and saves nothing by itself', async () => {
    const { fixture, type, send, stored, said, boxes } = await panel('resting-voltage', view(subject()));
    await type('1261');
    expect(said()).toContain('12.61 V?');
    await send();
    expect(stored()).toEqual([]);
    button(fixture, '12.61 V?').click();
    await fixture.whenStable();
    expect(boxes()[0]!.value).toBe('12.61');
  });

  it('says what is wrong with letters', async () => {
    const { type, said } = await panel('ripple-ac', view(subject()));
    await type('abc');
    expect(said()).toContain('is no number');
  });

  it('a condition out of its range is told at its field, and nothing is stored until it is mended', async () => {
    const { fixture, type, send, stored, said } = await panel('drop-starter-ground', view(subject([rest])));
    await type('90m');
    await typeInto(fixture, 'Current', '9000');
    await send();
    expect(said()).toContain('Found “9000”; allowed is a number, at least 0, at most 5000 (A).');
    expect(stored()).toEqual([]);
    await typeInto(fixture, 'Current', '140');
    await send();
    expect(stored()).toEqual([expect.objectContaining({ value: 0.09, conditions: { amps: 140 } })]);
  });

  it('takes six cells, as 1265 or 1.265, and waits until all are there', async () => {
    const system: Case['system'] = { nominalVolts: 12, battery: { chemistry: 'flooded', serviceable: true } };
    const { type, send, stored, boxes } = await panel('specific-gravity', view(subject([], { system })));
    expect(boxes()).toHaveLength(6);
    for (const [at, typed] of ['1265', '1.260', '1,265', '1270', '1.265'].entries()) await type(typed, at);
    await send();
    expect(stored()).toEqual([]);
    await type('1190', 5);
    await send();
    expect(stored()).toEqual([expect.objectContaining({ value: [1.265, 1.26, 1.265, 1.27, 1.265, 1.19] })]);
  });

  it('a diode that blocks reads OL', async () => {
    const { type, send, stored } = await panel('diode-reverse', view(subject()));
    await type('ol');
    await send();
    expect(stored()).toEqual([expect.objectContaining({ value: 'OL' })]);
  });

  it('a drop takes the amps that were read, and shows milliohms in the person’s own figures', async () => {
    const draw: Reading = { id: 's', test: 'starter-draw', value: 100 };
    const { fixture, type, said } = await panel('drop-starter-ground', view(subject([rest, draw])));
    await type('90m');
    expect(said()).toContain('0.9 mΩ');
    TestBed.inject(Figures).set({ decimal: 'comma', smallVolts: 'V' });
    await fixture.whenStable();
    expect(said()).toContain('0,9 mΩ');
    TestBed.inject(Figures).set({ decimal: 'point', smallVolts: 'mV' });
  });

  it('an Enter that follows the last figure at once saves it, and held down saves it once', async () => {
    const { fixture, boxes, stored } = await panel('resting-voltage', view(subject()));
    const box = boxes()[0]!;
    box.value = '12.61';
    box.dispatchEvent(new Event('input'));
    for (const repeat of [false, true, true])
      box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', repeat, bubbles: true, cancelable: true }));
    await fixture.whenStable();
    expect(stored().map(({ value }) => value)).toEqual([12.61]);
  });

  it('an Enter in the empty entry goes on, and saves nothing', async () => {
    const { send, stored, at } = await panel('ripple-ac', view(subject()));
    await send();
    expect([at(), stored()]).toEqual(['resting-voltage', []]);
  });

  it('what cannot be done is stored with its reason, and never as a figure', async () => {
    const { fixture, stored } = await panel('starter-draw', view(subject([rest])));
    button(fixture, 'Not possible').click();
    await fixture.whenStable();
    button(fixture, 'No equipment').click();
    await fixture.whenStable();
    expect(stored()).toEqual([
      expect.objectContaining({ test: 'starter-draw', value: null, notPossible: 'no-equipment', conditions: {} }),
    ]);
  });

  it('what is typed survives a look at another step, and is gone once it is saved', async () => {
    const job = view(subject());
    const { fixture, type, send, boxes } = await panel('resting-voltage', job);
    const at = TestBed.inject(StepAtHand);
    await type('12.6');
    at.goTo('ripple-ac');
    await fixture.whenStable();
    expect(boxes()[0]!.value).toBe('');
    at.goTo('resting-voltage');
    await fixture.whenStable();
    expect(boxes()[0]!.value).toBe('12.6');
    await send();
    expect(Object.keys(sessionStorage).filter((key) => key.includes('resting-voltage'))).toEqual([]);
  });

  it('knows the load for a load test from the label; of a parallel pack each battery’s own, never the pack’s', async () => {
    const amps = (host: HTMLElement) =>
      [...host.querySelectorAll<HTMLInputElement>('.number input')].map(({ value }) => value);
    const one = await panel('load-test', view(subject([rest])));
    expect(amps(one.host)).toContain('280');
    TestBed.resetTestingModule();
    standingBed();
    const system: Case['system'] = {
      nominalVolts: 12,
      battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' }, count: 2, arrangement: 'parallel' },
    };
    const pack = await panel('load-test', view(subject([{ ...rest, battery: 1 }], { system })));
    expect(amps(pack.host)).toContain('280');
    expect(amps(pack.host)).not.toContain('560');
  });

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
});

describe('a pack', () => {
  const system: Case['system'] = {
    nominalVolts: 24,
    battery: { chemistry: 'agm', count: 2, arrangement: 'series' },
  };

  it('is read battery by battery at one place, isolated, and only then the bench goes on', async () => {
    const { type, send, stored, said, at } = await panel('resting-voltage', view(subject([], { system })));
    expect(said()).toContain('Isolated from the other batteries');
    await type('12.8');
    await send();
    expect(at()).toBe('resting-voltage');
    await type('12.3');
    await send();
    expect(stored()).toEqual([
      expect.objectContaining({ value: 12.8, battery: 1 }),
      expect.objectContaining({ value: 12.3, battery: 2 }),
    ]);
    expect(at()).not.toBe('resting-voltage');
  });

  it.each([
    [true, 1, 2],
    [true, 2, 2],
    [false, 2, 2],
  ])('in series: %s, with battery %i at hand, marks the %i links that come off it', async (isSeries, battery, cuts) => {
    const fixture = TestBed.createComponent(PackDrawing);
    for (const [name, value] of Object.entries({ test: 'resting-voltage', battery, count: isSeries ? 2 : 3, isSeries }))
      fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    expect(host.querySelectorAll('.cut')).toHaveLength(cuts);
    expect(host.querySelector('.part.hand')).not.toBeNull();
    expect(host.querySelector('svg')!.getAttribute('aria-label')).toContain(
      `Battery ${battery}: take its links off first`,
    );
  });

  it('as connected nothing comes off', async () => {
    const fixture = TestBed.createComponent(PackDrawing);
    for (const [name, value] of Object.entries({ test: 'resting-voltage', battery: 0, count: 3, isSeries: false }))
      fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    expect((fixture.nativeElement as HTMLElement).querySelectorAll('.cut, .part.hand')).toHaveLength(0);
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
