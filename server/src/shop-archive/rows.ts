/** The rows of a table as lines of JSON, and back. */
import type { ShopId } from '@tetrad/contracts';
import { brokenJson } from '@tetrad/core';
import type { Sql } from '../platform/database/pool';
import { JudgementsIn, JudgementsOut } from './judgement-rows';
import type { WholeRow } from './judgement-rows';
import { ArchiveError } from './archive-error';
import type { Table } from './tables';

/** Rows fetched, and stored, at a time. */
const BATCH = 500;

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

/** Columns that are moved otherwise than as they are stored: the bytes of captures are files of their own. */
const ELSEWHERE: Readonly<Record<string, readonly string[]>> = { capture_piece: ['packed'] };
export const movedColumns = ({ name, columns }: Table): readonly string[] =>
  columns.filter((column) => !ELSEWHERE[name]?.includes(column));

/** Every row of the working shop, by its key. */
export async function* rowsOut(sql: Sql, table: Table): AsyncGenerator<Buffer> {
  const { name, order } = table;
  const moved = movedColumns(table).map(quoted).join(', ');
  const judgements = name === 'judgement' ? new JudgementsOut() : null;
  await sql.query(
    `DECLARE rows_out NO SCROLL CURSOR FOR
       SELECT to_jsonb(r)::text AS row
         FROM (SELECT ${moved} FROM ${quoted(name)} WHERE shop_id = working_shop() ORDER BY ${order}) r`,
  );
  for (;;) {
    const { rows } = await sql.query<{ row: string }>(`FETCH ${BATCH} FROM rows_out`);
    if (rows.length === 0) break;
    yield Buffer.from(rows.map(({ row }) => `${judgements?.whole(row) ?? row}\n`).join(''));
  }
  await sql.query('CLOSE rows_out');
}

/** SQLSTATE of constraints whose detail names nothing but keys: a row that is there already, one that is missing. */
const NAMES_KEYS_ONLY = new Set(['23505', '23503']);

export type Row = Readonly<Record<string, unknown>>;

/** Stores lines of JSON as rows of the shop. @throws ArchiveError that names the line, its field and what is allowed. */
export class RowsIn {
  readonly #known: ReadonlySet<string>;
  readonly #judgements: JudgementsIn | null;
  /** Rows of the same fields, as text: figures stay as they were written. */
  #batch: { readonly names: readonly string[]; readonly texts: string[] } = { names: [], texts: [] };
  #lines = 0;

  constructor(
    private readonly sql: Sql,
    private readonly shop: ShopId,
    private readonly table: Table,
    /** Adds what is moved elsewhere and belongs to a row. */
    private readonly complete: ((row: Row) => Promise<Row>) | null = null,
  ) {
    this.#judgements = table.name === 'judgement' ? new JudgementsIn() : null;
    this.#known = new Set(movedColumns(table));
  }

  async add(line: string): Promise<void> {
    this.#lines++;
    const [row, isWhole] = this.#row(line);
    if (this.#judgements) {
      await this.#told(() => this.#judgements!.add(this.sql, this.shop, row as unknown as WholeRow));
      return;
    }
    const whole = this.complete ? await this.complete(row) : row;
    const names = Object.keys(whole);
    if (names.join() !== this.#batch.names.join()) {
      await this.#store();
      this.#batch = { names, texts: [] };
    }
    this.#batch.texts.push(this.complete || !isWhole ? JSON.stringify(whole) : line);
    if (this.#batch.texts.length >= BATCH) await this.#store();
  }

  /** @returns how many rows there were. */
  async end(): Promise<number> {
    await this.#store();
    const { name, counter } = this.table;
    if (counter && this.#lines > 0)
      await this.sql.query(
        `SELECT setval(s, greatest((SELECT max(${quoted(counter)}) FROM ${quoted(name)}), nextval(s)))
           FROM (SELECT pg_get_serial_sequence($1, $2)::regclass AS s) counter`,
        [quoted(name), counter],
      );
    return this.#lines;
  }

  /** @returns the row, and whether it holds all that stands in the line. */
  #row(line: string): [Row, boolean] {
    let row: unknown;
    try {
      row = JSON.parse(line);
    } catch {
      throw this.#wrong(`it is no JSON: ${brokenJson(line)}`);
    }
    if (typeof row !== 'object' || row === null || Array.isArray(row)) throw this.#wrong('it is no object');
    const { ignored } = this.table;
    for (const name of Object.keys(row))
      if (!this.#known.has(name) && !ignored.includes(name))
        throw this.#wrong(`${name} is no field; allowed are ${[...this.#known].join(', ')}`);
    const kept = Object.entries(row).filter(([name]) => !ignored.includes(name));
    return kept.length === Object.keys(row).length ? [row as Row, true] : [Object.fromEntries(kept), false];
  }

  async #store(): Promise<void> {
    const { names, texts } = this.#batch;
    this.#batch = { names, texts: [] };
    if (texts.length === 0) return;
    const columns = [...names, 'shop_id'].map(quoted).join(', ');
    const { name } = this.table;
    await this.#told(() =>
      this.sql.query(
        `INSERT INTO ${quoted(name)} (${columns}) OVERRIDING SYSTEM VALUE
         SELECT ${names.map((column) => `r.${quoted(column)}`).join(', ')}${names.length > 0 ? ', ' : ''}$2
           FROM jsonb_populate_recordset(null::${quoted(name)}, $1::jsonb) r`,
        [`[${texts.join(',')}]`, this.shop],
      ),
    );
  }

  async #told(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
    } catch (error) {
      const { message, detail, constraint, code } = error as Partial<
        Record<'message' | 'detail' | 'constraint' | 'code', string>
      >;
      // of other constraints the detail shows the whole row, hashes of passwords among it
      const shown = NAMES_KEYS_ONLY.has(code ?? '') ? detail : undefined;
      throw this.#wrong([message, shown, constraint && `(${constraint})`].filter(Boolean).join(' '));
    }
  }

  /** What is wrong with the line at hand, or with one of those stored together with it. */
  #wrong(why: string): ArchiveError {
    return new ArchiveError(`tables/${this.table.name}.jsonl, line ${this.#lines}: ${why}`);
  }
}
