/** A whole copy of the database in one file, read back before it counts; and the way back. */
import { existsSync } from 'node:fs';
import { mkdir, readdir, rename, rm, stat, writeFile } from 'node:fs/promises';
import { basename, dirname, join, resolve } from 'node:path';
import { postgresPrograms } from '../setup/requirements.mjs';
import { run } from '../setup/run.mjs';
import { SetupError } from '../setup/steps.mjs';

const EXTENSION = '.tetrad-backup';

/** A program of PostgreSQL on a database; the password goes by environment, never among the arguments. */
async function program(name, address, args) {
  const bin = await postgresPrograms();
  if (!bin) throw new SetupError('PostgreSQL 15 or newer is not installed: its programs make the backup.');
  const { hostname, port, username, password, pathname } = new URL(address);
  const env = {
    ...process.env,
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
  };
  return run(join(bin, name), args, { env });
}

/** Reads a backup from its first byte to its last. @throws SetupError where it is none, or not whole. */
export async function checkBackup(address, file) {
  if (!existsSync(file)) throw new SetupError(`${file} is not there.`);
  await program('pg_restore', address, ['--file', '/dev/null', file]).catch((error) => {
    throw new SetupError(`${file} is no whole backup: ${error.message.trim().split('\n').at(-1)}`);
  });
}

/**
 * Writes a backup (PostgreSQL's custom format), reads it back, and only then gives it its name.
 *
 * @returns {Promise<{ file: string, bytes: number }>}
 */
export async function backup(address, to) {
  const file = resolve(to);
  if (existsSync(file)) throw new SetupError(`${file} is there already: a backup replaces none.`);
  await mkdir(dirname(file), { recursive: true, mode: 0o700 });
  const draft = `${file}.part`;
  try {
    // it holds hashes of passwords and PINs: for its owner alone, before there is anything in it
    await rm(draft, { force: true });
    await writeFile(draft, '', { mode: 0o600, flag: 'wx' });
    await program('pg_dump', address, ['--format=custom', '--file', draft]);
    await checkBackup(address, draft);
    await rename(draft, file);
  } catch (error) {
    await rm(draft, { force: true });
    if (/No space left/.test(error.message)) throw new SetupError(`the disk is full: ${file} could not be written.`);
    throw error;
  }
  return { file, bytes: (await stat(file)).size };
}

/**
 * Puts a backup in the place of a database. What was there is kept under another name.
 *
 * @returns {Promise<{ kept: string | null }>} the name of the database that was there.
 */
export async function restore(address, from, { isRunning }) {
  const file = resolve(from);
  await checkBackup(address, file);
  const target = new URL(address);
  const name = decodeURIComponent(target.pathname.slice(1));
  const beside = new URL(address);
  beside.pathname = '/postgres';
  const { default: pg } = await import('pg');
  const admin = new pg.Client({ connectionString: beside.toString() });
  await admin.connect();
  const draft = `${name}_restoring`;
  try {
    const { rows } = await admin.query(
      "SELECT count(*)::int AS n FROM pg_stat_activity WHERE datname = $1 AND application_name LIKE 'tetrad%'",
      [name],
    );
    if (isRunning && rows[0].n > 0) throw new SetupError('Tetrad works on this database: stop it first, then restore.');
    await admin.query(`DROP DATABASE IF EXISTS ${admin.escapeIdentifier(draft)}`);
    await admin.query(`CREATE DATABASE ${admin.escapeIdentifier(draft)}`);
    const into = new URL(address);
    into.pathname = `/${draft}`;
    await program('pg_restore', into.toString(), ['--exit-on-error', '--single-transaction', '--dbname', draft, file]);
    const there = await admin.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
    const kept = there.rowCount ? `${name}_before_${new Date().toISOString().replace(/\D/g, '').slice(0, 14)}` : null;
    if (kept)
      await admin.query(`ALTER DATABASE ${admin.escapeIdentifier(name)} RENAME TO ${admin.escapeIdentifier(kept)}`);
    await admin.query(`ALTER DATABASE ${admin.escapeIdentifier(draft)} RENAME TO ${admin.escapeIdentifier(name)}`);
    return { kept };
  } catch (error) {
    await admin.query(`DROP DATABASE IF EXISTS ${admin.escapeIdentifier(draft)}`).catch(() => undefined);
    throw error;
  } finally {
    await admin.end();
  }
}

/** The backups of a folder, the newest first. */
export async function backupsIn(folder) {
  const names = (await readdir(folder).catch(() => [])).filter((name) => name.endsWith(EXTENSION));
  return names.sort().reverse();
}

/** A backup by its time in a folder; of more than `keep` the oldest go. */
export async function scheduledBackup(address, folder, keep) {
  const time = new Date().toISOString().replace(/[:.]/g, '-');
  const made = await backup(address, join(folder, `tetrad-${time}${EXTENSION}`));
  for (const name of (await backupsIn(folder)).slice(keep)) await rm(join(folder, basename(name)));
  return made;
}
