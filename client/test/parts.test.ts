import { ComponentFixtureAutoDetect, TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { assessCase, fourNoteProfile, judge } from '@tetrad/core';
import type { Case, Reading } from '@tetrad/core';
import { BENCH_STEPS } from '../src/app/screens/bench/route/bench-steps';
import { ReadingEntry } from '../src/app/screens/bench/step/reading-entry';
import type { TestName } from '@tetrad/core';
import { belongs, findStep, keyOf, nameOfStep, stepNameOf } from '../src/app/screens/bench/route/step-key';
import { floorCsv } from '../src/app/screens/floor/floor-csv';
import { decisionWords } from '@tetrad/core';
import { Figures } from '../src/app/device/figures';
import { ProfileView } from '../src/app/kit/profile-view';
import { BALANCED, OBSERVATION_NAMES, TESTS, TEST_NAMES, survey } from '@tetrad/core';

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
    fixture.componentRef.setInput('profile', fourNoteProfile(assessCase(subject), subject.system));
    await fixture.whenStable();
    const label = (fixture.nativeElement as HTMLElement).querySelector('[role=img]')?.getAttribute('aria-label');
    expect(label).toContain('Resting voltage 12.60 V, within');
    expect(label).toContain('Cranking voltage 8.10 V, outside');
  });
});

const setCase = (fixture: ComponentFixture<ReadingEntry>, subject: Case): void => {
  fixture.componentRef.setInput('subject', subject);
  fixture.componentRef.setInput('situation', survey(subject).situation);
};

describe('the entry', () => {
  async function entryFor(test: string, ...readings: Reading[]) {
    const fixture = TestBed.createComponent(ReadingEntry);
    fixture.componentRef.setInput('step', findStep(test as TestName)!);
    setCase(fixture, caseWith(...readings));
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
    return {
      fixture,
      host,
      type,
      emitted,
      submit: () => host.querySelector('form')!.dispatchEvent(new Event('submit')),
    };
  }

  it('grades while it is typed and saves volts, with the conditions of the step', async () => {
    const { host, type, submit, emitted } = await entryFor('resting-voltage');
    await type('12,31');
    expect(host.textContent).toContain('Outside');
    submit();
    expect(emitted).toEqual([{ value: 12.31, conditions: {} }]);
  });

  it('knows that the surface charge is off only once the settling is over', async () => {
    const { fixture, type, submit, emitted } = await entryFor('resting-voltage');
    fixture.componentRef.setInput('waitedFor', new Set(['settle']));
    await fixture.whenStable();
    await type('12.6');
    submit();
    expect(emitted).toEqual([{ value: 12.6, conditions: { surfaceChargeRemoved: true } }]);
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

  it('takes six cells, as 1265 or 1.265, and waits until all are there', async () => {
    const { host, submit, emitted } = await entryFor('specific-gravity');
    const cells = [...host.querySelectorAll<HTMLInputElement>('.cell')];
    expect(cells).toHaveLength(6);
    const typed = ['1265', '1.260', '1,265', '1270', '1.265', '1190'];
    for (const [index, cell] of cells.entries()) {
      if (index === 5) {
        submit();
        expect(emitted).toEqual([]);
      }
      cell.value = typed[index]!;
      cell.dispatchEvent(new Event('input'));
    }
    submit();
    expect(emitted).toEqual([expect.objectContaining({ value: [1.265, 1.26, 1.265, 1.27, 1.265, 1.19] })]);
  });

  it('a diode that blocks reads OL', async () => {
    const { type, submit, emitted } = await entryFor('diode-reverse');
    await type('ol');
    submit();
    expect(emitted).toEqual([expect.objectContaining({ value: 'OL' })]);
  });

  it('a drop takes the amps that were read, and shows milliohms', async () => {
    const { host, type } = await entryFor('drop-starter-ground', { id: 's', test: 'starter-draw', value: 100 });
    await type('900m');
    expect(host.textContent).toContain('9.0 mΩ');
  });

  it('an Enter in the empty entry goes on, and saves nothing', async () => {
    const { fixture, submit, emitted } = await entryFor('ripple-ac');
    let onward = 0;
    fixture.componentInstance.onward.subscribe(() => (onward += 1));
    submit();
    expect([onward, emitted]).toEqual([1, []]);
  });

  it('of a pack each battery is read by itself, one after the other, and isolation is asked for', async () => {
    const { host, fixture, type, submit, emitted } = await entryFor('resting-voltage');
    const pack: Case = {
      ...caseWith(),
      system: { nominalVolts: 24, battery: { chemistry: 'agm', count: 2, arrangement: 'series' } },
    };
    setCase(fixture, pack);
    fixture.componentRef.setInput('step', { ...findStep('resting-voltage') });
    await fixture.whenStable();
    expect(host.textContent).toContain('Isolated from the other batteries');
    for (const volts of ['12.8', '12.3']) {
      await type(volts);
      submit();
      await fixture.whenStable();
    }
    expect(emitted).toEqual([
      expect.objectContaining({ value: 12.8, battery: 1 }),
      expect.objectContaining({ value: 12.3, battery: 2 }),
    ]);
  });

  it('knows the load for a load test from the label', async () => {
    const { host } = await entryFor('load-test', resting);
    const values = [...host.querySelectorAll<HTMLInputElement>('.number input')].map(({ value }) => value);
    expect(values).toContain('280');
  });

  it('loads one battery of a parallel pack by its own rating, never with the load of the pack', async () => {
    const { host, fixture } = await entryFor('load-test', resting);
    const loads = () => [...host.querySelectorAll<HTMLInputElement>('.number input')].map(({ value }) => value);
    setCase(fixture, {
      ...caseWith({ ...resting, battery: 1 }),
      system: {
        nominalVolts: 12,
        battery: {
          chemistry: 'flooded',
          rating: { value: 560, standard: 'SAE' },
          count: 2,
          arrangement: 'parallel',
        },
      },
    });
    fixture.componentRef.setInput('step', { ...findStep('load-test') });
    await fixture.whenStable();
    expect(loads()).toContain('280');
    expect(loads()).not.toContain('560');
  });

  it('writes the load, the grade and the drop as this device’s person reads them', async () => {
    TestBed.inject(Figures).set({ decimal: 'comma', smallVolts: 'V' });
    try {
      const { host, type } = await entryFor('drop-starter-ground', { id: 's', test: 'starter-draw', value: 100 });
      await type('90m');
      expect(host.textContent).toContain('0,9 mΩ');
      expect(host.textContent).not.toMatch(/\d\.\d/);
    } finally {
      TestBed.inject(Figures).set({ decimal: 'point', smallVolts: 'mV' });
    }
  });
});

describe('the route', () => {
  it('has a step of its own for every key, and offers no condition its test does not carry', () => {
    expect(new Set(BENCH_STEPS.map(keyOf)).size).toBe(BENCH_STEPS.length);
    for (const step of BENCH_STEPS)
      if (step.kind === 'reading')
        expect(TESTS[step.test].conditions).toEqual(
          expect.arrayContaining(Object.keys({ ...step.asks, ...step.fixed })),
        );
  });

  it('has a step for every test and every observation of the format', () => {
    const names = new Set(BENCH_STEPS.map(stepNameOf));
    expect([...TEST_NAMES, ...OBSERVATION_NAMES].filter((name) => !names.has(name))).toEqual([]);
    expect(BENCH_STEPS.every((step) => nameOfStep(step).length > 2)).toBe(true);
  });

  it('keeps charging with loads on and off apart', () => {
    const [off, on] = BENCH_STEPS.filter((step) => stepNameOf(step) === 'charging-voltage');
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
      timer: null,
    } as const;
    const csv = floorCsv([
      {
        row,
        vehicle: '=cmd()',
        complaint: '',
        waitsFor: '',
        verdict: '',
        tone: 'open',
        who: '',
        changedAt: '',
        readiness: 1,
        wait: null,
      },
    ]);
    expect(csv).toContain("'=cmd()");
  });
});
