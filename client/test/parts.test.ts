import { ComponentFixtureAutoDetect, TestBed } from '@angular/core/testing';
import { assessCase, fourNoteProfile, judge } from '@tetrad/core';
import type { Case, Reading } from '@tetrad/core';
import { BENCH_STEPS } from '../src/app/bench/bench-steps';
import { ReadingEntry } from '../src/app/bench/reading-entry';
import { belongs, keyOf } from '../src/app/bench/step-key';
import { floorCsv } from '../src/app/floor/floor-csv';
import { decisionWords } from '@tetrad/core';
import { ProfileView } from '../src/app/parts/profile-view';
import { BALANCED, TESTS } from '@tetrad/core';

const caseWith = (...readings: Reading[]): Case => ({
  format: 'tetrad-case/1',
  system: { nominalVolts: 12, battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } } },
  readings,
});
const resting: Reading = { id: 'a', test: 'resting-voltage', value: 12.6 };

beforeEach(() =>
  TestBed.configureTestingModule({ providers: [{ provide: ComponentFixtureAutoDetect, useValue: true }] }),
);

describe('the profile', () => {
  it('tells its levels and grades to those who cannot see it', async () => {
    const fixture = TestBed.createComponent(ProfileView);
    const subject = caseWith(resting, { id: 'b', test: 'cranking-voltage', value: 8.1 });
    fixture.componentRef.setInput('profile', fourNoteProfile(assessCase(subject), 12));
    await fixture.whenStable();
    const label = (fixture.nativeElement as HTMLElement).querySelector('[role=img]')?.getAttribute('aria-label');
    expect(label).toContain('Resting voltage 12.60 volts, within');
    expect(label).toContain('Cranking voltage 8.10 volts, outside');
  });
});

describe('the entry', () => {
  async function entryFor(test: string, ...readings: Reading[]) {
    const fixture = TestBed.createComponent(ReadingEntry);
    fixture.componentRef.setInput(
      'step',
      BENCH_STEPS.find((step) => step.test === test)!,
    );
    fixture.componentRef.setInput('subject', caseWith(...readings));
    fixture.componentRef.setInput('criteria', BALANCED);
    const emitted: unknown[] = [];
    fixture.componentInstance.entered.subscribe((entered) => emitted.push(entered));
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    const box = host.querySelector<HTMLInputElement>('#reading')!;
    const type = async (text: string) => {
      box.value = text;
      box.dispatchEvent(new Event('input'));
      await fixture.whenStable();
    };
    return { host, type, emitted, submit: () => host.querySelector('form')!.dispatchEvent(new Event('submit')) };
  }

  it('grades while it is typed and saves volts, with the conditions of the step', async () => {
    const { host, type, submit, emitted } = await entryFor('resting-voltage');
    await type('12,31');
    expect(host.textContent).toContain('Outside');
    submit();
    expect(emitted).toEqual([{ value: 12.31, conditions: { surfaceChargeRemoved: true } }]);
  });

  it('asks back for 1261, offers 12.61, and saves nothing by itself', async () => {
    const { host, type, submit, emitted } = await entryFor('resting-voltage');
    await type('1261');
    expect(host.textContent).toContain('12.61 V?');
    submit();
    expect(emitted).toEqual([]);
  });

  it('says what is wrong with letters', async () => {
    const { host, type } = await entryFor('ripple-ac');
    await type('abc');
    expect(host.textContent).toContain('is no number');
  });

  it('knows the load for a load test from the label', async () => {
    const { host } = await entryFor('load-test', resting);
    const values = [...host.querySelectorAll<HTMLInputElement>('.number input')].map(({ value }) => value);
    expect(values).toContain('280');
  });
});

describe('the route', () => {
  it('has a step of its own for every key, and offers no condition its test does not carry', () => {
    expect(new Set(BENCH_STEPS.map(keyOf)).size).toBe(BENCH_STEPS.length);
    for (const { test, asks, fixed } of BENCH_STEPS)
      expect(TESTS[test].conditions).toEqual(expect.arrayContaining(Object.keys({ ...asks, ...fixed })));
  });

  it('keeps charging with loads on and off apart', () => {
    const [off, on] = BENCH_STEPS.filter(({ test }) => test === 'charging-voltage');
    const loaded: Reading = { id: 'c', test: 'charging-voltage', value: 13.9, conditions: { loads: 'on' } };
    expect([belongs(loaded, off!), belongs(loaded, on!)]).toEqual([false, true]);
  });
});

describe('words and files', () => {
  it('a decision reads like an instruction', () => {
    const flat = judge(caseWith({ ...resting, value: 12.0 }));
    expect(decisionWords(flat.decision)).toBe('Charge first, then repeat');
    expect(decisionWords({ action: 'replace', part: 'battery', fault: 'battery-worn', because: 'x' })).toBe(
      'Replace the battery',
    );
  });

  it('the floor’s CSV cannot run a formula in somebody’s spreadsheet', () => {
    const row = {
      id: 'j',
      vehicle: { id: 'v', name: '=cmd()', plate: null, vin: null, year: null },
      symptoms: [],
      status: 'open',
      assignee: null,
      openedAt: '',
      changedAt: '',
      decision: null,
      waitsFor: null,
      profile: null,
      readings: 0,
    } as const;
    const csv = floorCsv([
      { row, vehicle: '=cmd()', complaint: '', waitsFor: '', verdict: '', tone: 'open', who: '', changedAt: '' },
    ]);
    expect(csv).toContain("'=cmd()");
  });
});
