/** When a vehicle of a round is due: by days, distance, hours, or before winter, whichever comes first. */
import fc from 'fast-check';
import { checkDue } from '@tetrad/core';
import type { CheckHistory } from '@tetrad/core';

const history = (more: Partial<CheckHistory> = {}): CheckHistory => ({
  begunOn: '2026-01-10',
  lastCheck: '2026-03-01',
  uses: [],
  ...more,
});
const km = (on: string, value: number) => ({ on, km: value, hours: null });

it('by days it is due so long after the newest visit; what was never here from the day of the plan on', () => {
  expect(checkDue({ everyDays: 90 }, history())).toEqual({ dueOn: '2026-05-30', by: 'days' });
  expect(checkDue({ everyDays: 90 }, history({ lastCheck: null }))).toEqual({ dueOn: '2026-01-10', by: 'days' });
});

it('by distance it is due when the distance a day has used it up', () => {
  // 100 km a day; 3,000 km of 10,000 used since the check
  const uses = [km('2026-03-01', 50_000), km('2026-03-31', 53_000)];
  expect(checkDue({ everyKm: 10_000 }, history({ uses }))).toEqual({ dueOn: '2026-06-09', by: 'km' });
  // used up before the newest reading
  const over = [km('2026-03-01', 50_000), km('2026-05-30', 59_000)];
  expect(checkDue({ everyKm: 6000 }, history({ uses: over }))).toEqual({ dueOn: '2026-04-30', by: 'km' });
});

it('of one odometer reading nothing is said, and a new odometer begins anew', () => {
  expect(checkDue({ everyKm: 10_000 }, history({ uses: [km('2026-03-01', 50_000)] }))).toBeNull();
  const uses = [km('2026-01-01', 250_000), km('2026-03-01', 10), km('2026-03-11', 1010)];
  expect(checkDue({ everyKm: 10_000 }, history({ uses }))).toEqual({ dueOn: '2026-06-09', by: 'km' });
});

it('hours are counted as kilometers are', () => {
  const uses = [
    { on: '2026-03-01', km: null, hours: 1000 },
    { on: '2026-03-21', km: null, hours: 1100 },
  ];
  expect(checkDue({ everyHours: 250 }, history({ uses }))).toEqual({ dueOn: '2026-04-20', by: 'hours' });
});

it('a check in the eight weeks before the winter date counts for that winter, an earlier one does not', () => {
  const due = (lastCheck: string) => checkDue({ beforeWinter: '10-15' }, history({ lastCheck }))?.dueOn;
  expect([due('2026-07-01'), due('2026-09-01'), due('2026-11-01')]).toEqual(['2026-10-15', '2027-10-15', '2027-10-15']);
});

it('of several intervals the first to come counts, and more visits never bring it forward', () => {
  const interval = { everyDays: 365, beforeWinter: '10-15' };
  expect(checkDue(interval, history())).toEqual({ dueOn: '2026-10-15', by: 'winter' });
  const day = fc
    .integer({ min: 0, max: 700 })
    .map((n) => new Date(Date.UTC(2026, 0, 1 + n)).toISOString().slice(0, 10));
  fc.assert(
    fc.property(day, day, (a, b) => {
      const [early, late] = a < b ? [a, b] : [b, a];
      const of = (lastCheck: string) => checkDue(interval, history({ lastCheck }))!.dueOn;
      expect(of(early) <= of(late)).toBe(true);
    }),
  );
});
