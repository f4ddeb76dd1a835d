/** Dates of a table: a column has one style all through, and is read by it, never row by row. */
import { format, isValid, parse } from 'date-fns';

/** Each style by its pattern (Unicode TR 35), in the order in which they are offered. */
export const DATE_STYLES = {
  iso: { pattern: 'yyyy-MM-dd', words: 'year-month-day' },
  'day-dots': { pattern: 'd.M.yyyy', words: 'day.month.year' },
  'day-first': { pattern: 'd/M/yyyy', words: 'day/month/year' },
  'month-first': { pattern: 'M/d/yyyy', words: 'month/day/year' },
} as const;
export type DateStyle = keyof typeof DATE_STYLES;
const STYLE_NAMES = Object.keys(DATE_STYLES) as readonly DateStyle[];

const ANY_DAY = new Date(2000, 0, 1);
const YEARS: readonly [number, number] = [1950, 2100];

/** A date as it is stored, `YYYY-MM-DD`; null where the text is none in that style. */
export function isoDate(text: string, style: DateStyle): string | null {
  const date = parse(text, DATE_STYLES[style].pattern, ANY_DAY);
  const year = date.getFullYear();
  return isValid(date) && year >= YEARS[0] && year <= YEARS[1] ? format(date, 'yyyy-MM-dd') : null;
}

/** Every style in which all of these are dates: more than one where day and month cannot be told apart. */
export const stylesOf = (texts: readonly string[]): readonly DateStyle[] =>
  STYLE_NAMES.filter((style) => texts.every((text) => isoDate(text, style) !== null));
