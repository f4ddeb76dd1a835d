import type { BackupsView } from '@tetrad/contracts';

const HOUR_MS = 3_600_000;
/** A backup older than this is no protection any more, ms. */
const RECENT_MS = 36 * HOUR_MS;
const AGO = new Intl.RelativeTimeFormat('en', { numeric: 'always' });

/** What is to be said of the backups, and whether it is a warning. */
export function backupWords(
  { isScheduled, count, newest }: BackupsView,
  now = Date.now(),
): { readonly says: string; readonly isDue: boolean } {
  if (!isScheduled)
    return { says: 'No backups are made by this server: start it with --backup-to FOLDER.', isDue: true };
  if (!newest) return { says: 'No backup has been made yet.', isDue: true };
  const ageMs = now - Date.parse(newest.at);
  const hours = Math.round(ageMs / HOUR_MS);
  const age = hours < 48 ? AGO.format(-hours, 'hour') : AGO.format(-Math.round(hours / 24), 'day');
  const size = `${(newest.bytes / 1e6).toFixed(1)} MB`;
  return { says: `Last backup ${age}, ${size}; ${count} kept.`, isDue: ageMs > RECENT_MS };
}
