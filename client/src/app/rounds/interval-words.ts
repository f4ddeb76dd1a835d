import type { RoundView } from '@tetrad/contracts';

const month = new Intl.DateTimeFormat('en', { month: 'long', day: 'numeric', timeZone: 'UTC' });

/** How often a round is walked, in words. */
export const intervalWords = ({ everyDays, everyKm, everyHours, beforeWinter }: RoundView): string =>
  [
    everyDays !== null && `every ${everyDays} days`,
    everyKm !== null && `every ${everyKm.toLocaleString('en')} km`,
    everyHours !== null && `every ${everyHours.toLocaleString('en')} hours`,
    beforeWinter !== null && `before ${month.format(new Date(`2027-${beforeWinter}T00:00:00Z`))} each year`,
  ]
    .filter(Boolean)
    .join(' or ');

const DAY_MS = 86_400_000;

/** When something is due, as people say it. @param dueOn `YYYY-MM-DD`; null where it cannot be told. */
export function dueWords(
  dueOn: string | null,
  today = new Date(),
): { readonly words: string; readonly isDue: boolean } {
  if (dueOn === null) return { words: 'odometer needed', isDue: false };
  // days of the calendar here, whatever the hour
  const begun = Date.UTC(today.getFullYear(), today.getMonth(), today.getDate());
  const days = Math.round((Date.parse(dueOn) - begun) / DAY_MS);
  const count = `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'}`;
  return { words: days < 0 ? `${count} ago` : days === 0 ? 'today' : `in ${count}`, isDue: days <= 0 };
}
