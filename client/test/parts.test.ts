import { ComponentFixtureAutoDetect, TestBed } from '@angular/core/testing';
import { assessCase, fourNoteProfile, judge } from '@tetrad/core';
import type { Case, Reading } from '@tetrad/core';
import { BENCH_STEPS } from '../src/app/screens/bench/route/bench-steps';
import { belongs, keyOf, nameOfStep, stepNameOf } from '../src/app/screens/bench/route/step-key';
import { csvOf } from '../src/app/kit/csv';
import { floorTable } from '../src/app/screens/floor/floor-table';
import { decisionWords } from '@tetrad/core';
import { ProfileView } from '../src/app/kit/profile-view';
import { OBSERVATION_NAMES, TESTS, TEST_NAMES } from '@tetrad/core';

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
    expect(decisionWords({ action: 'replace', part: 'battery', fault: 'battery-worn' })).toBe('Replace the battery');
  });

  it('the floor’s CSV cannot run a formula in somebody’s spreadsheet', () => {
    const row = {
      id: 'j',
      vehicle: { id: 'v', name: '=cmd()', plate: null, vin: null, year: null, group: null, batteryFittedOn: null },
      symptoms: [],
      status: 'open',
      assignee: null,
      openedAt: '',
      changedAt: '',
      decision: null,
      waitsFor: null,
      words: { complaint: '', waitsFor: '', verdict: '', tone: 'open' },
      profile: null,
      readings: 0,
      timer: null,
    } as const;
    const table = floorTable([
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
    expect(csvOf(table)).toContain("'=cmd()");
  });
});
