/** When rounds are due as a calendar (iCalendar, RFC 5545): one entry a round and day. */
import { createEvents } from 'ics';
import type { DateArray } from 'ics';
import type { HeavyTask } from '../platform/workers/heavy-work';

/** The vehicles of a round that are due on one day. */
export interface CalendarDay {
  readonly plan: string;
  readonly group: string;
  readonly interval: string;
  readonly assignee: string | null;
  /** `YYYY-MM-DD`. */
  readonly dueOn: string;
  readonly count: number;
  /** The first of them by name, with their plates. */
  readonly vehicles: readonly string[];
}
export interface CalendarTask {
  readonly days: readonly CalendarDay[];
}

const DAY_MS = 86_400_000;
const dateOf = (day: string, daysLater = 0): DateArray =>
  new Date(Date.parse(`${day}T00:00:00Z`) + daysLater * DAY_MS)
    .toISOString()
    .slice(0, 10)
    .split('-')
    .map(Number) as DateArray;

/** @throws Error that the calendar could not be written. */
export function calendarOf({ days }: CalendarTask): string {
  const events = days.map(({ plan, group, interval, assignee, dueOn, count, vehicles }) => ({
    uid: `${plan}.${dueOn}`,
    title: count === 1 ? `Battery check: ${vehicles[0] ?? group}` : `Battery check: ${group}, ${count} vehicles`,
    description: [
      [group, interval, assignee].filter(Boolean).join(', '),
      ...vehicles,
      ...(count > vehicles.length ? [`and ${count - vehicles.length} more`] : []),
    ].join('\n'),
    start: dateOf(dueOn),
    end: dateOf(dueOn, 1), // the package writes a duration of whole days as P1DT, which RFC 5545 does not know
  }));
  const { error, value } = createEvents(events, { productId: 'tetrad/rounds', calName: 'Battery checks' });
  if (error || !value) throw error ?? new Error('the calendar could not be written');
  return value;
}

export const CALENDAR: HeavyTask<CalendarTask, string> = { name: 'calendar', lane: 'rest', work: calendarOf };
