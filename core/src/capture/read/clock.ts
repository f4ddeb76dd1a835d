/** Clock times and dates of rows, as seconds. */

/** Seconds of a day. */
const DAY_S = 86_400;
const CLOCK = /^(\d{1,2}):(\d{2}):(\d{2})(?:[.,:](\d+))?$/;
const ISO = /^(\d{4})-(\d{2})-(\d{2})[T ]+(\d{1,2}:\d{2}:\d{2}(?:[.,]\d+)?)\s*(Z|[+-]\d{2}:?\d{2})?$/;
const DAY_FIRST = /^(\d{1,2})[./](\d{1,2})[./](\d{4})[, ]+(\d{1,2}:\d{2}:\d{2}(?:[.,]\d+)?)$/;

/** `09:14:03.125` as seconds of its day; NaN where the text is no clock time. */
export function clockSeconds(text: string): number {
  const match = CLOCK.exec(text);
  if (!match) return NaN;
  const [, hours, minutes, seconds, fraction = ''] = match;
  return Number(hours) * 3600 + Number(minutes) * 60 + Number(`${seconds}.${fraction || 0}`);
}

/** A date and a clock time as seconds; the zone does not matter, only differences are used. NaN where it is none. */
export function dateTimeSeconds(text: string): number {
  const iso = ISO.exec(text);
  if (iso) return Date.UTC(Number(iso[1]), Number(iso[2]) - 1, Number(iso[3])) / 1000 + clockSeconds(iso[4]!);
  const dayFirst = DAY_FIRST.exec(text);
  if (!dayFirst) return NaN;
  const [, day, month, year, clock] = dayFirst;
  return Date.UTC(Number(year), Number(month) - 1, Number(day)) / 1000 + clockSeconds(clock!);
}

/** A time of either form. */
export const timeSeconds = (text: string): number => {
  const clock = clockSeconds(text);
  return Number.isNaN(clock) ? dateTimeSeconds(text) : clock;
};

/**
 * Brings a clock that ran over midnight behind the day before it.
 *
 * @param seconds The time of this row, s.
 * @param before The time of the row before, s.
 */
export const pastMidnight = (seconds: number, before: number): number =>
  seconds < before - DAY_S / 2 ? seconds + DAY_S * Math.ceil((before - seconds - DAY_S / 2) / DAY_S) : seconds;
