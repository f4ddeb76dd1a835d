/** The tables of a shop, as the database itself describes them: a table that is added is moved without more. */
import type { Sql } from '../platform/database/pool';

export interface Table {
  readonly name: string;
  /** All but the shop's id and those that the database makes of others. */
  readonly columns: readonly string[];
  /** Columns that an archive of an earlier version may hold, and that are passed over. */
  readonly ignored: readonly string[];
  /** What its rows are ordered by: its key. */
  readonly order: string;
  /** The column that the database counts up, where there is one. */
  readonly counter: string | null;
}

/** What is not moved: it opens doors here alone, or follows from the rest. */
export const LEFT_OUT: Readonly<Record<string, string>> = {
  session: 'whoever is signed in signs in anew',
  pairing: 'a code for a phone is good for minutes',
  presence: 'who has a job open just now',
  attempt: 'wrong passwords are counted where they were tried',
  judgement_newest: 'is the last of the judgements',
  shop_closed: 'says that another cluster keeps the shop',
  shop_home: 'says which cluster keeps the shop',
  api_key: 'opens this shop here: a copy makes keys of its own',
  webhook_delivery: 'is what this shop tells, under its own name',
};
/** Columns that stay: a copy of the shop speaks under no name of the original. */
const STAYS: Readonly<Record<string, readonly string[]>> = { webhook: ['secret', 'is_off', 'busy_until'] };
/** Of these what goes along where a shop moves from one cluster to another of the same servers: its devices go on. */
const KEPT_OPEN = new Set(['session', 'pairing', 'attempt', 'api_key', 'webhook_delivery']);

interface Row extends Omit<Table, 'columns' | 'ignored'> {
  readonly columns: string[];
  readonly needs: string[];
}

/**
 * Tables with a shop in their key; one that refers to another comes after it.
 *
 * @param isMove Whether the same servers go on with the shop in another cluster.
 */
export async function tablesOf(sql: Sql, isMove = false): Promise<readonly Table[]> {
  const { rows } = await sql.query<Row>(
    `SELECT c.relname AS name,
            (SELECT array_agg(attname::text ORDER BY attnum) FROM pg_attribute
              WHERE attrelid = c.oid AND attnum > 0 AND NOT attisdropped AND attgenerated = '' AND attname <> 'shop_id') AS columns,
            (SELECT string_agg(format(CASE WHEN a.atttypid = 'text'::regtype THEN '%I COLLATE "C"' ELSE '%I' END, a.attname),
                               ', ' ORDER BY k.place)
               FROM pg_index i, unnest(i.indkey::int[]) WITH ORDINALITY k(attnum, place)
               JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum = k.attnum
              WHERE i.indrelid = c.oid AND i.indisprimary) AS order,
            (SELECT attname::text FROM pg_attribute WHERE attrelid = c.oid AND attidentity <> '') AS counter,
            ARRAY(SELECT confrelid::regclass::text FROM pg_constraint
                   WHERE conrelid = c.oid AND contype = 'f' AND confrelid <> c.oid) AS needs
       FROM pg_class c
      WHERE c.relnamespace = 'public'::regnamespace AND c.relkind IN ('r', 'p')
        AND EXISTS (SELECT 1 FROM pg_attribute WHERE attrelid = c.oid AND attname = 'shop_id')
      ORDER BY c.relname`,
  );
  const left = rows.filter(({ name }) => !(name in LEFT_OUT) || (isMove && KEPT_OPEN.has(name)));
  const ordered: Table[] = [];
  const isThere = (name: string): boolean => ordered.some((table) => table.name === name);
  while (left.length > 0) {
    const at = left.findIndex(({ needs }) => needs.every(isThere));
    if (at < 0)
      throw new Error(`these tables refer to each other in a ring: ${left.map(({ name }) => name).join(', ')}`);
    const { needs: _needs, columns, ...table } = left.splice(at, 1)[0]!;
    const ignored = isMove ? [] : (STAYS[table.name] ?? []);
    ordered.push({ ...table, columns: columns.filter((column) => !ignored.includes(column)), ignored });
  }
  return ordered;
}
