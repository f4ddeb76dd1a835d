import { formatDate } from '@angular/common';
import type { InstrumentView } from '@tetrad/contracts';

/** A check holds for the day it was made. */
export const isToday = (at: string, now = new Date()): boolean => new Date(at).toDateString() === now.toDateString();

/** An instrument's newest check, for people. */
export function checkWords(check: InstrumentView['check'], now = new Date()): string {
  if (!check) return 'Never checked';
  if (!isToday(check.at, now)) return `Not checked today, last on ${formatDate(check.at, 'd MMM', 'en')}`;
  return `${check.isGood ? 'Checked' : 'Failed its check'} at ${formatDate(check.at, 'HH:mm', 'en')}`;
}
