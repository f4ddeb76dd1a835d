/** Instruments of the shop: what they may be wrong by, and their daily check, go with the readings. */
import { TestBed } from '@angular/core/testing';
import { Store } from '@ngrx/store';
import type { InstrumentBody, InstrumentView } from '@tetrad/contracts';
import { Chosen } from '../src/app/instruments/chosen';
import { InstrumentActions } from '../src/app/instruments/instruments.feature';
import { checkWords, isToday } from '../src/app/instruments/is-today';
import { ReadWith } from '../src/app/instruments/read-with';
import { CheckDialog } from '../src/app/screens/instruments/check-dialog';
import { InstrumentDialog } from '../src/app/screens/instruments/instrument-dialog';
import { unitsOf } from '../src/app/screens/instruments/instrument-form';
import { button, openJob, pick, queuedActs, standingBed, subject, submit, typeInto, view } from './bench-fixtures';

const now = new Date();
const meter = (more: Partial<InstrumentView> = {}): InstrumentView => ({
  id: 'm',
  name: 'Bench meter 2',
  kind: 'meter',
  uncertainty: { V: 0.02 },
  address: null,
  millivoltsPerAmp: null,
  isSimulated: false,
  check: null,
  ...more,
});
const checked = (leads: 'steady' | 'jumping', at = now.toISOString()): InstrumentView['check'] => ({
  at,
  by: 'Bo',
  findings: { 'meter-leads': leads, 'meter-ac': 'blocks-dc' },
  isGood: leads === 'steady',
});

beforeEach(() => {
  localStorage.removeItem('tetrad.read-with');
  standingBed();
});
afterAll(() => localStorage.removeItem('tetrad.read-with'));

describe('what is read with', () => {
  const known = (...instruments: InstrumentView[]): ReadWith => {
    TestBed.inject(Store).dispatch(InstrumentActions.loaded({ instruments }));
    return TestBed.inject(ReadWith);
  };

  it('goes with a reading by name and uncertainty, in the unit it was chosen for and no other', () => {
    const readWith = known(meter());
    expect(readWith.of('V')).toEqual({});
    TestBed.inject(Chosen).choose('V', 'm');
    expect(readWith.of('V')).toEqual({ instrument: 'Bench meter 2', uncertainty: 0.02 });
    expect(readWith.of('A')).toEqual({});
    TestBed.inject(Chosen).choose('V', null);
    expect(readWith.of('V')).toEqual({});
  });

  it('brings today’s check into the job once, as what was seen; yesterday’s not', () => {
    const readWith = known(meter({ check: checked('jumping') }));
    const job = openJob(view(subject()));
    readWith.tell('Bench meter 2', job);
    readWith.tell('Bench meter 2', job);
    const seen = () => queuedActs().flatMap((item) => (item.kind === 'observation' ? [item.body.observation] : []));
    expect(seen()).toEqual([
      { about: 'meter-leads', finding: 'jumping' },
      { about: 'meter-ac', finding: 'blocks-dc' },
    ]);
    known(meter({ check: checked('jumping', new Date(now.getTime() - 30 * 3_600_000).toISOString()) }));
    readWith.tell('Bench meter 2', openJob(view(subject(), { id: '00000000-0000-4000-8000-00000000000a' })));
    expect(seen()).toHaveLength(2);
  });

  it('that failed its check makes its readings void for the judge', () => {
    const readWith = known(meter({ check: checked('jumping') }));
    const job = openJob(view(subject()));
    readWith.tell('Bench meter 2', job);
    job.read('resting-voltage', { value: 12.64, conditions: {}, instrument: 'Bench meter 2' });
    expect(job.assessments().at(-1)).toMatchObject({ grade: 'void', because: { code: 'leads-jump' } });
  });
});

describe('a check', () => {
  it('asks one look after the other, can go back, and hands over what was found', async () => {
    const fixture = TestBed.createComponent(CheckDialog);
    fixture.componentRef.setInput('instrument', meter());
    const done: unknown[] = [];
    fixture.componentInstance.done.subscribe((findings) => done.push(findings));
    await fixture.whenStable();
    const press = async (words: string) => {
      button(fixture, words).click();
      await fixture.whenStable();
    };
    expect(document.body.textContent).toContain('Short the meter’s leads');
    await press('jumping');
    await press('Back');
    await press('steady');
    await press('passes dc');
    expect(document.body.textContent).toContain('Not as it should be');
    await press('Keep it for today');
    expect(done).toEqual([{ 'meter-leads': 'steady', 'meter-ac': 'passes-dc' }]);
  });

  it('holds for its own day', () => {
    const at = '2026-03-02T07:50:00';
    expect(isToday(at, new Date('2026-03-02T23:00:00'))).toBe(true);
    expect(isToday(at, new Date('2026-03-03T00:10:00'))).toBe(false);
    expect(checkWords(null)).toBe('Never checked');
    expect(checkWords(checked('steady', at), new Date('2026-03-02T09:00:00'))).toBe('Checked at 07:50');
    expect(checkWords(checked('jumping', at), new Date('2026-03-02T09:00:00'))).toBe('Failed its check at 07:50');
    expect(checkWords(checked('steady', at), new Date('2026-03-04T09:00:00'))).toBe('Not checked today, last on 2 Mar');
  });
});

describe('an instrument', () => {
  async function dialog(known: InstrumentView | null) {
    const fixture = TestBed.createComponent(InstrumentDialog);
    fixture.componentRef.setInput('known', known);
    const stored: InstrumentBody[] = [];
    fixture.componentInstance.stored.subscribe((body) => stored.push(body));
    await fixture.whenStable();
    return { fixture, stored };
  }

  it('needs a name, and its uncertainty is asked in the units it reads', async () => {
    const { fixture, stored } = await dialog(null);
    await submit(fixture);
    expect(document.body.textContent).toContain('Needed: a name of 1 to 80 characters.');
    await typeInto(fixture, 'Name', ' Clamp 1 ');
    await pick(fixture, 'Kind', 'Clamp');
    expect(document.body.textContent).not.toContain('±, V');
    await typeInto(fixture, 'Accuracy ±, A', '1,5');
    await submit(fixture);
    expect(stored).toEqual([expect.objectContaining({ name: 'Clamp 1', kind: 'clamp', uncertainty: { A: 1.5 } })]);
  });

  it('refuses to be wrong by less than nothing', async () => {
    const { fixture, stored } = await dialog(meter());
    await typeInto(fixture, 'Accuracy ±, V', '-0.1');
    await submit(fixture);
    expect(document.body.textContent).toContain('Found “-0.1”; allowed is a number, at least 0.');
    expect(stored).toEqual([]);
  });

  it('of another kind does not keep an uncertainty it cannot have', async () => {
    const { fixture, stored } = await dialog(meter());
    await pick(fixture, 'Kind', 'Hydrometer');
    await submit(fixture);
    expect(stored[0]).toMatchObject({ kind: 'hydrometer', uncertainty: {} });
    expect(unitsOf('hydrometer')).toEqual(['SG']);
  });
});
