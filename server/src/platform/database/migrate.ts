import { readFile, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { inTransaction } from './pool';
import type { Pool } from './pool';

const FILE = /^(\d{4})_[a-z0-9-]+\.sql$/;
/** Any fixed number: two processes that migrate at once wait for each other. */
const LOCK = 727_214;

/**
 * Brings the schema up to date: numbered SQL files in order, each once, each in its own transaction.
 *
 * @returns the names of the files that were run.
 * @throws Error where a file is misnamed or one that was run is gone, or the database is newer than this program.
 */
export async function migrate(pool: Pool, folder: string): Promise<readonly string[]> {
  const files = (await readdir(folder)).sort();
  const misnamed = files.find((name) => !FILE.test(name));
  if (misnamed !== undefined)
    throw new Error(`${join(folder, misnamed)} is no migration: allowed are names like 0002_short-words.sql`);
  await pool.query(
    'CREATE TABLE IF NOT EXISTS migration (name text PRIMARY KEY, run_at timestamptz NOT NULL DEFAULT now())',
  );
  // before anything is changed
  const { rows } = await pool.query<{ name: string }>('SELECT name FROM migration ORDER BY name');
  const unknown = rows.find(({ name }) => !files.includes(name));
  if (unknown)
    throw new Error(
      `the data were written by a newer version of Tetrad (${unknown.name}): use that version, or restore the backup made before it`,
    );
  const ran: string[] = [];
  for (const name of files) {
    const statements = await readFile(join(folder, name), 'utf8');
    const isNew = await inTransaction(pool, async (sql) => {
      await sql.query('SELECT pg_advisory_xact_lock($1)', [LOCK]);
      const { rowCount } = await sql.query('INSERT INTO migration (name) VALUES ($1) ON CONFLICT DO NOTHING', [name]);
      if (rowCount === 0) return false;
      await sql.query(statements).catch((error: unknown) => {
        throw new Error(`migration ${name} failed: ${error instanceof Error ? error.message : String(error)}`, {
          cause: error,
        });
      });
      return true;
    });
    if (isNew) ran.push(name);
  }
  return ran;
}
