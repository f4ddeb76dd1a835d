/** The comeback: what was read, decided and fitted on the last visit, beside what is read today. */
import { TestBed } from '@angular/core/testing';
import type { VisitView, SignOffView } from '@tetrad/contracts';
import { judge } from '@tetrad/core';
import type { Reading } from '@tetrad/core';
import { of } from 'rxjs';
import { Foot } from '../src/app/screens/bench/foot/foot';
import { LastVisit } from '../src/app/screens/bench/last-visit';
import { api, openJob, rest, standingBed, subject, text, view } from './bench-fixtures';

beforeEach(standingBed);
afterEach(() => jest.restoreAllMocks());

const weak: Reading = { id: 'c', test: 'conductance', value: 250 };
const then = view(subject([{ ...rest, value: 12.58 }, weak]), {
  id: '00000000-0000-4000-8000-0000000000aa',
  openedAt: '2026-01-02T08:00:00Z',
});
const visit = (changes: Partial<VisitView>): VisitView => ({
  job: then.id,
  openedAt: then.openedAt,
  status: 'closed',
  symptoms: ['slow-crank'],
  decision: judge(then.case).decision,
  signOff: null,
  outcome: null,
  profile: null,
  system: then.case.system,
  ...changes,
});
const today = (readings: readonly Reading[]) => view(subject(readings), { openedAt: '2026-03-02T08:00:00Z' });

async function open(visits: readonly VisitView[], readings: readonly Reading[] = []) {
  jest.spyOn(api, 'listVisits').mockReturnValue(of(visits));
  jest.spyOn(api, 'getJob').mockReturnValue(of(then));
  openJob(today(readings));
  const fixture = TestBed.createComponent(Foot);
  await fixture.whenStable();
  fixture.componentInstance.compare();
  await fixture.whenStable();
  return { fixture, last: TestBed.inject(LastVisit) };
}

it('stands beside today’s readings with one key: decision, what was fitted, each reading then and now', async () => {
  const signOff: SignOffView = {
    ...{
      id: 's',
      by: 'Ilse Marrow',
      at: '2026-01-02T10:00:00Z',
      action: 'replace' as const,
      part: 'battery' as const,
      reason: null,
    },
    ...{ conclusion: 'Worn.', partsFitted: ['battery 560 A'], comment: null, solved: true, judged: null },
  };
  const { fixture, last } = await open([visit({ signOff })], [{ ...rest, value: 12.7 }]);
  expect(text(fixture)).toContain('Replaced: battery');
  expect(text(fixture)).toContain('Fitted: battery 560 A');
  const rows = new Map(last.rows().map((row) => [row.key, [row.then?.words ?? null, row.now?.words ?? null]]));
  expect(rows.get('resting-voltage')).toEqual(['12.58 V', '12.70 V']);
  expect(rows.get('conductance')).toEqual(['250 A', null]);
});

it('is none where the vehicle was not here before, and a later visit is not the last', async () => {
  expect((await open([])).last.visit()).toBeNull();
  TestBed.resetTestingModule();
  standingBed();
  expect((await open([visit({ openedAt: '2026-04-01T08:00:00Z' })])).last.visit()).toBeNull();
});
