/** The floor: what to do now, over all open jobs. */
import type { FloorRow } from '@tetrad/contracts';
import { floorLine, matches } from '../src/app/screens/floor/floor-line';
import { toDoNow } from '../src/app/screens/floor/to-do-now';
import { NOW, timer } from './bench-fixtures';

const row = (id: string, more: Partial<FloorRow> = {}): FloorRow => ({
  id,
  vehicle: { id, name: `Van ${id}`, plate: `P-${id}`, vin: null, year: null, group: null, batteryFittedOn: null },
  symptoms: ['slow-crank'],
  status: 'open',
  assignee: null,
  openedAt: '2026-03-02T08:00:00Z',
  changedAt: '2026-03-02T09:00:00Z',
  decision: { code: 'x', with: {}, action: 'test-next', part: null, fault: null, because: 'x', minutes: 6 },
  waitsFor: 'drop-starter-ground',
  words: { complaint: 'Cranks slowly', waitsFor: 'Drop, starter case', verdict: 'Not proven yet', tone: 'open' },
  profile: null,
  readings: 3,
  timer: null,
  ...more,
});
const minutes = (value: number): Partial<FloorRow> => ({ decision: { ...row('x').decision!, minutes: value } });
const jobs = (...rows: readonly FloorRow[]) => toDoNow(rows, NOW).steps.map(({ job }) => job);

describe('what to do now', () => {
  it('is the step that is nearest to a decision, of jobs that wait for nobody but us', () => {
    expect(jobs(row('a', minutes(20)), row('b', minutes(6)), row('c', minutes(11)))).toEqual(['b', 'c', 'a']);
  });

  it('is never a job that charges; while it does, that is told with its end', () => {
    const charging = row('a', { timer: timer('charge', 600, 4 * 3600) });
    const { steps, meanwhile } = toDoNow([charging, row('b')], NOW);
    expect(steps.map(({ job }) => job)).toEqual(['b']);
    expect(meanwhile).toEqual({ vehicle: 'Van a', name: 'Charging', untilMs: NOW + (4 * 3600 - 600) * 1000 });
  });

  it('of several waits the one that ends first is told', () => {
    const [long, short] = [
      row('a', { timer: timer('charge', 0, 4 * 3600) }),
      row('b', { timer: timer('sleep', 0, 1800) }),
    ];
    expect(toDoNow([long, short], NOW).meanwhile?.vehicle).toBe('Van b');
    expect(toDoNow([short, long], NOW).meanwhile?.vehicle).toBe('Van b');
  });

  it('begins with a wait that is over: it calls', () => {
    const over = row('a', { ...minutes(30), timer: timer('settle', 200, 150), waitsFor: 'resting-voltage' });
    const { steps } = toDoNow([row('b', minutes(2)), over], NOW);
    expect(steps[0]).toMatchObject({ job: 'a', calls: true, step: 'Read the resting voltage.' });
  });

  it('leaves out what is settled, closed, or somebody else’s on the person’s own list', () => {
    const settled = row('a', { waitsFor: null });
    const closed = row('b', { status: 'closed' });
    const others = row('c', { assignee: 'Bo' });
    const own = row('d', { assignee: 'Ilse' });
    expect(jobs(settled, closed)).toEqual([]);
    expect(toDoNow([others, own, row('e')], NOW, 'Ilse').steps.map(({ job }) => job)).toEqual(['d', 'e']);
  });

  it('is three steps at most', () => {
    expect(jobs(...['a', 'b', 'c', 'd', 'e'].map((id) => row(id)))).toHaveLength(3);
  });
});

describe('a row', () => {
  it('is found by any of its words in any order, and by none that it does not show', () => {
    const line = floorLine(row('a', { assignee: 'Ilse Marrow' }), NOW);
    expect(matches(line, ['marrow', 'van'])).toBe(true);
    expect(matches(line, ['p-a', 'cranks'])).toBe(true);
    expect(matches(line, ['marrow', 'bo'])).toBe(false);
  });

  it('sorts a wait that is over first, then work, then waits by their end, then the settled', () => {
    const order = [
      floorLine(row('over', { timer: timer('settle', 200, 150) }), NOW),
      floorLine(row('work'), NOW),
      floorLine(row('soon', { timer: timer('charge', 0, 60) }), NOW),
      floorLine(row('late', { timer: timer('charge', 0, 6000) }), NOW),
      floorLine(row('settled', { waitsFor: null }), NOW),
    ].map(({ readiness }) => readiness);
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(new Set(order).size).toBe(5);
  });
});
