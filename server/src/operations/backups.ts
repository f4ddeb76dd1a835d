import type { Handlers } from '../platform/http/handlers';
/** What is known of the backups that this server makes: their folder, and the newest of them. */
import { readdir, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { BackupsView } from '@tetrad/contracts';

const EXTENSION = '.tetrad-backup';

/** @param folder Null where no backups are scheduled. */
export function backupRoutes(folder: string | null): Handlers<'getBackups'> {
  return {
    getBackups: async (_request, response) => {
      response.json(await backupsOf(folder));
    },
  };
}

export async function backupsOf(folder: string | null): Promise<BackupsView> {
  if (folder === null) return { isScheduled: false, count: 0, newest: null };
  const names = (await readdir(folder).catch(() => [])).filter((name) => name.endsWith(EXTENSION)).sort();
  const last = names.at(-1);
  const told = last === undefined ? null : await stat(join(folder, last));
  return {
    isScheduled: true,
    count: names.length,
    newest: told && { at: told.mtime.toISOString(), bytes: told.size },
  };
}
