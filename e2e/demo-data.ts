/** The demo's data: kept once as files of the cluster, and put back into a database between tests while its server runs. */
import { randomUUID } from 'node:crypto';
import { chmod, mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import pg from 'pg';

/** The database that every other is copied from: tables and demo data. */
export const TEMPLATE = 'e2e_template';

interface Kept {
  /** Every table, as SQL names it, and the file of its rows. */
  readonly tables: readonly { readonly table: string; readonly file: string }[];
  /** SQL that sets every sequence to where it stands in the template. */
  readonly sequences: string;
}

const named = (database: string): string => process.env['TETRAD_TEST_CLUSTER']!.replace(/\/postgres$/, `/${database}`);

async function asOwner<T>(database: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: named(database) });
  await client.connect();
  return work(client).finally(() => client.end());
}

/** Writes the rows of the template to files in a new folder. */
export async function keepDemoData(folder: string): Promise<void> {
  await mkdir(folder);
  await chmod(folder, 0o777); // the cluster may run as somebody else
  await asOwner(TEMPLATE, async (client) => {
    const { rows: found } = await client.query<{ table: string }>(
      `SELECT format('%I.%I', schemaname, tablename) AS table FROM pg_tables WHERE schemaname = 'public'`,
    );
    const tables = found.map(({ table }, index) => ({ table, file: join(folder, `${index}.rows`) }));
    for (const { table, file } of tables) await client.query(`COPY ${table} TO '${file}'`);
    const { rows: stand } = await client.query<{ statement: string }>(
      `SELECT format('SELECT setval(%L, %s)', format('%I.%I', schemaname, sequencename), last_value) AS statement
       FROM pg_sequences WHERE last_value IS NOT NULL`,
    );
    const kept: Kept = { tables, sequences: stand.map(({ statement }) => statement).join(';') };
    await writeFile(join(folder, 'kept.json'), JSON.stringify(kept));
  });
}

/** One database with the demo's data. */
export class DemoDatabase {
  private constructor(readonly name: string) {}

  static async create(): Promise<DemoDatabase> {
    const name = `e2e_${randomUUID().replaceAll('-', '')}`;
    await asOwner('postgres', (client) => client.query(`CREATE DATABASE ${name} TEMPLATE ${TEMPLATE}`));
    return new DemoDatabase(name);
  }

  /** Its address for the role of the application. */
  get address(): string {
    return process.env['TETRAD_TEST_APP']!.replace(`/${TEMPLATE}`, `/${this.name}`);
  }
  get ownerAddress(): string {
    return named(this.name);
  }

  /** Runs a statement as the owner of the tables. */
  async run(statement: string, values: unknown[] = []): Promise<void> {
    await asOwner(this.name, (client) => client.query(statement, values));
  }

  /** All rows as they were at first. Nobody is told of it: no trigger runs. */
  async restore(): Promise<void> {
    const { tables, sequences } = JSON.parse(
      await readFile(join(process.env['TETRAD_TEST_DATA']!, 'kept.json'), 'utf8'),
    ) as Kept;
    await asOwner(this.name, async (client) => {
      await client.query('BEGIN; SET LOCAL session_replication_role = replica');
      await client.query(`TRUNCATE ${tables.map(({ table }) => table).join(', ')} RESTART IDENTITY`);
      for (const { table, file } of tables) await client.query(`COPY ${table} FROM '${file}'`);
      await client.query(`${sequences}; COMMIT`);
    });
  }
}
