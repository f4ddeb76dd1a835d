import { readdir } from 'node:fs/promises';
import type { Pool } from './pool';

/**
 * What an administrator's command says of data that are not of this version, instead of failing at a column that is not there.
 *
 * @param folder Of the migrations.
 * @throws Error in one line.
 */
export async function assertUpToDate(pool: Pool, folder: string): Promise<void> {
  const { rows: known } = await pool.query("SELECT to_regclass('migration') IS NOT NULL AS known");
  if (!(known[0] as { known: boolean }).known)
    throw new Error('there are no data of Tetrad in this database: start Tetrad once, which sets it up');
  const { rows } = await pool.query<{ name: string }>('SELECT name FROM migration');
  const ran = new Set(rows.map(({ name }) => name));
  const files = (await readdir(folder)).sort();
  const missing = files.filter((name) => !ran.has(name));
  if (missing.length > 0)
    throw new Error(
      `the data were written by an older version of Tetrad (${missing.length} migrations are to be run): start Tetrad once, which brings them up to date`,
    );
  const unknown = [...ran].find((name) => !files.includes(name));
  if (unknown) throw new Error(`the data were written by a newer version of Tetrad (${unknown}): use that version`);
}
