/** When a vehicle of a round is due for its check: by days, by distance, by hours of its engine, or before winter. */

/** How often; what is told first becomes due first. At least one of them. */
export interface CheckInterval {
  readonly everyDays?: number | null;
  readonly everyKm?: number | null;
  readonly everyHours?: number | null;
  /** Month and day, `MM-DD`: each year checked by then. */
  readonly beforeWinter?: string | null;
}

/** What odometer or hour meter showed on a day. */
export interface UseReading {
  /** `YYYY-MM-DD`. */
  readonly on: string;
  readonly km: number | null;
  readonly hours: number | null;
}

export interface CheckHistory {
  /** When the round was planned: what was never checked is due from then on. */
  readonly begunOn: string;
  /** The day of its newest visit; null where it was never here. */
  readonly lastCheck: string | null;
  /** The oldest first. */
  readonly uses: readonly UseReading[];
}

export const DUE_BY = ['days', 'km', 'hours', 'winter'] as const;
export type DueBy = (typeof DUE_BY)[number];
export interface CheckDue {
  /** `YYYY-MM-DD`. */
  readonly dueOn: string;
  readonly by: DueBy;
}

const DAY_MS = 86_400_000;
/** A check this long before the winter's date counts for that winter, days. */
export const WINTER_AHEAD_DAYS = 60;
/** Distance a day is told by readings at least this far apart, days. */
const MIN_RATE_DAYS = 7;

const dayOf = (text: string): number => Math.round(Date.parse(`${text}T00:00:00Z`) / DAY_MS);
const textOf = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);

/**
 * @returns null where only distance or hours are asked for, and they are not known well enough: two readings a week
 *   apart are the least.
 */
export function checkDue(interval: CheckInterval, history: CheckHistory): CheckDue | null {
  const { everyDays, everyKm, everyHours, beforeWinter } = interval;
  const begun = dayOf(history.begunOn);
  const last = history.lastCheck === null ? null : dayOf(history.lastCheck);
  const due: { readonly day: number | null; readonly by: DueBy }[] = [];
  if (everyDays) due.push({ day: last === null ? begun : last + everyDays, by: 'days' });
  if (everyKm) due.push({ day: last === null ? begun : byUse(everyKm, last, history.uses, 'km'), by: 'km' });
  if (everyHours)
    due.push({ day: last === null ? begun : byUse(everyHours, last, history.uses, 'hours'), by: 'hours' });
  if (beforeWinter)
    due.push({ day: nextOf(beforeWinter, last === null ? begun : last + WINTER_AHEAD_DAYS), by: 'winter' });
  const known = due.filter((one): one is { day: number; by: DueBy } => one.day !== null);
  known.sort((a, b) => a.day - b.day);
  const [first] = known;
  return first ? { dueOn: textOf(first.day), by: first.by } : null;
}

/** The day on which so much is used up since the last check; null where it cannot be told. */
function byUse(every: number, last: number, uses: readonly UseReading[], what: 'km' | 'hours'): number | null {
  const shown = sinceNewMeter(
    uses.flatMap((use) => (use[what] === null ? [] : [{ day: dayOf(use.on), value: use[what] }])),
  );
  const newest = shown.at(-1);
  if (!newest) return null;
  const atCheck = shown.findLast(({ day }) => day <= last) ?? shown[0]!;
  const left = every - (newest.value - atCheck.value);
  const first = shown[0]!;
  const days = newest.day - first.day;
  const aDay = days >= MIN_RATE_DAYS ? (newest.value - first.value) / days : null;
  // used up already: when it was can be told by the rate alone
  if (left <= 0) return aDay === null ? newest.day : Math.ceil(newest.day + left / aDay);
  return aDay === null || aDay <= 0 ? null : Math.ceil(newest.day + left / aDay);
}

/** A meter that shows less than before is another one, or was read wrong: only what follows counts. */
function sinceNewMeter<Shown extends { readonly value: number }>(shown: readonly Shown[]): readonly Shown[] {
  const fall = shown.findLastIndex(({ value }, at) => at > 0 && value < shown[at - 1]!.value);
  return fall < 0 ? shown : shown.slice(fall);
}

/** The first day of that date that is not before `from`. */
function nextOf(monthAndDay: string, from: number): number {
  const year = new Date(from * DAY_MS).getUTCFullYear();
  const ofThisYear = dayOf(`${year}-${monthAndDay}`);
  return ofThisYear >= from ? ofThisYear : dayOf(`${year + 1}-${monthAndDay}`);
}
