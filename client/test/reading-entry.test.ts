/** The entries of a step: what they take, grade, store and refuse. */
import { TestBed } from '@angular/core/testing';
import { MessageService } from 'primeng/api';
import { survey } from '@tetrad/core';
import type { Case, Reading, ReadingStep, WaitKind } from '@tetrad/core';
import { Figures } from '../src/app/device/figures';
import { Settings } from '../src/app/device/settings';
import { PackDrawing } from '../src/app/circuit/pack-drawing';
import { findStep, stepNameOf } from '../src/app/screens/bench/route/step-key';
import { StepAtHand } from '../src/app/screens/bench/step-at-hand';
import { knownConditions } from '../src/app/screens/bench/step/known-conditions';
import { StepPanel } from '../src/app/screens/bench/step/step-panel';
import { understand } from '../src/app/screens/bench/step/understand';
import { button, openJob, rest, standingBed, subject, timer, typeInto, view } from './bench-fixtures';
import { panel } from './step-page';

beforeEach(standingBed);

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
    knownConditions(step, survey(subject(readings)).gradedCase, new Set(waits), undefined);

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
    const beside = { nominalVolts: 12, packVolts: null, asks: () => '', percentOf: null } as const;
    expect(understand(typed, test, beside)).toMatchObject(expected);
  });

  it.each([
    ['72 %', { state: 'value', value: 403, conditions: { percentOfRating: 72 } }],
    ['403', { state: 'value', value: 403 }],
    ['900%', { state: 'unclear' }],
    ['%', { state: 'unclear' }],
  ] as const)('of a tester that prints a percentage “%s” is kept with the amps of the label', (typed, expected) => {
    const beside = { nominalVolts: 12, packVolts: null, asks: () => '', percentOf: 560 } as const;
    const found = understand([typed], 'conductance', beside);
    expect(found).toMatchObject(expected);
    expect('conditions' in found).toBe('conditions' in expected);
  });

  it('a figure that can hardly be is asked back, and saved by a second Enter', async () => {
    const { type, send, stored, said } = await panel('charging-voltage', view(subject([rest])), 'off');
    await type('5.6');
    await send();
    expect(stored()).toEqual([]);
    expect(said()).toContain('5.60 V with the engine running is far under the resting voltage (12.64 V).');
    await send();
    expect(stored()).toMatchObject([{ test: 'charging-voltage', value: 5.6 }]);
  });

  it('another figure after the question is asked by itself', async () => {
    const { type, send, stored } = await panel('conductance', view(subject([rest])));
    await type('0');
    await send();
    await type('545');
    await send();
    expect(stored()).toMatchObject([{ test: 'conductance', value: 545 }]);
  });

  it('keys that came before it was there are in it, in their order, and Enter among them saves', async () => {
    const { fixture, boxes, stored } = await panel('resting-voltage', view(subject([rest])));
    const press = (key: string) => document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    for (const key of '12.6') press(key);
    await fixture.whenStable();
    expect(boxes()[0]!.value).toBe('12.6');
    for (const key of ['1', 'Enter']) press(key);
    await fixture.whenStable();
    expect(stored()).toMatchObject([{ test: 'resting-voltage', value: 12.61 }]);
  });
});

describe('a pack', () => {
  const system: Case['system'] = {
    nominalVolts: 24,
    battery: { chemistry: 'agm', count: 2, arrangement: 'series' },
  };

  it('in series is read battery by battery at one place, and only then the bench goes on', async () => {
    const { type, send, stored, said, at } = await panel('resting-voltage', view(subject([], { system })));
    expect(said()).not.toContain('Isolated from the other batteries');
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
    [true, 1, 0],
    [true, 2, 0],
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
      isSeries ? `Battery ${battery}: read in place` : `Battery ${battery}: take its links off first`,
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
