/** A reading as text: its value, and how it was taken. */
import type { Reading } from '../../format/reading-shape';
import type { FigureFormat } from '../../quantities/figure-format';
import { CONDITIONS } from '../../format/conditions';
import type { ConditionName } from '../../format/conditions';
import { TESTS } from '../../trade/tables';

/** Why a reading could not be taken. */
const NOT_POSSIBLE: Readonly<Record<string, string>> = {
  'did-not-crank': 'did not crank',
  'did-not-start': 'did not start',
  'no-access': 'no access',
  'no-equipment': 'no equipment',
  other: 'other reason',
};
/** Why a reading could not be taken; a reason that is not known stands as it is. */
export const notPossibleWords = (reason = 'other'): string => NOT_POSSIBLE[reason] ?? reason;

/** A figure in the unit of a test. @param value In the test's unit. */
export const valueWords = (test: Reading['test'], value: number, figures: FigureFormat): string =>
  TESTS[test].isSmallVolts ? figures.smallVolts(value) : figures.quantity(value, TESTS[test].unit);

/** A reading's value for people, with the digits that its instrument showed where they are known. */
export function readingWords(
  { test, value, notPossible, resolution }: Pick<Reading, 'test' | 'value' | 'notPossible' | 'resolution'>,
  figures: FigureFormat,
): string {
  if (value === null) return `not possible (${notPossibleWords(notPossible)})`;
  if (typeof value === 'number') {
    const { unit, isSmallVolts } = TESTS[test];
    return resolution === undefined
      ? valueWords(test, value, figures)
      : figures.shown(value, unit, resolution, isSmallVolts);
  }
  return typeof value === 'string' ? value : value.map((cell) => figures.plain(cell, 3)).join(' · ');
}

/** How a reading was taken, in few words: its conditions, battery, instrument and who took it. */
export function methodWords({ conditions = {}, battery, instrument, by }: Reading, figures: FigureFormat): string {
  const held = Object.entries(conditions).map(([name, value]) => {
    const row = CONDITIONS[name as ConditionName];
    if (row === undefined) return '';
    const label = row.name.toLowerCase();
    if (row.type === 'flag') return value === true ? label : `not ${label}`;
    if (row.type === 'word' || row.type === 'text' || typeof value !== 'number') return `${label} ${String(value)}`;
    return row.unit === '°C'
      ? `${label} ${figures.celsius(value)}`
      : `${label} ${figures.asGiven(value)} ${row.unit}`.trim();
  });
  return [...(battery === undefined ? [] : [`battery ${battery}`]), ...held, instrument ?? '', by ? `by ${by}` : '']
    .filter(Boolean)
    .join(', ');
}
