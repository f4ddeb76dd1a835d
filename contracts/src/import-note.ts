import { signedWords } from '@tetrad/core';
import type { JobView } from './views';

/**
 * What is said of a job that was brought in from a file: by whom and when, and that a sign-off in it is none of this shop.
 *
 * @param shownTime Writes a time for the reader.
 * @returns sentences; none where the job was opened here.
 */
export function importNote(
  { imported, importedSignOff }: Pick<JobView, 'imported' | 'importedSignOff'>,
  shownTime: (iso: string) => string,
): readonly string[] {
  if (!imported) return [];
  const broughtIn = `Imported from a file by ${imported.by}, ${shownTime(imported.at)}.`;
  if (!importedSignOff) return [broughtIn];
  const { by, at } = importedSignOff;
  return [
    broughtIn,
    `The file says: signed off by ${by}, ${shownTime(at)}: ${signedWords(importedSignOff)}. This shop has not signed it off.`,
  ];
}
