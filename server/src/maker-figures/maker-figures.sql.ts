/** The shop's library of what makers say of engines and models. */
import { randomUUID } from 'node:crypto';
import type { ImportedFiguresView, MakerFigures, MakerFiguresView, ShopId } from '@tetrad/contracts';
import { canonical } from '../platform/canonical';
import { isoTime } from '../platform/database/iso-time';
import type { Sql } from '../platform/database/pool';

const FIGURES = `SELECT figures_id AS id, name, source, system, changed_by AS by, ${isoTime('changed_at')} AS at
       FROM maker_figures WHERE shop_id = $1 AND NOT is_removed`;

/** By name. @param only The id of one; null for all of them. */
export async function listFigures(
  sql: Sql,
  shop: ShopId,
  only: string | null = null,
): Promise<readonly MakerFiguresView[]> {
  const { rows } = await sql.query<MakerFiguresView>(
    `${FIGURES} AND ($2::uuid IS NULL OR figures_id = $2) ORDER BY lower(name), figures_id`,
    [shop, only],
  );
  return rows;
}

/** Those that are known by one of the names. */
async function figuresNamed(sql: Sql, shop: ShopId, names: readonly string[]): Promise<readonly MakerFiguresView[]> {
  const { rows } = await sql.query<MakerFiguresView>(
    `${FIGURES} AND lower(name) IN (SELECT lower(one) FROM unnest($2::text[]) one)`,
    [shop, names],
  );
  return rows;
}

/** The id of the record that has a name; null where none has. */
export async function idOfName(sql: Sql, shop: ShopId, name: string): Promise<string | null> {
  const { rows } = await sql.query<{ id: string }>(
    'SELECT figures_id AS id FROM maker_figures WHERE shop_id = $1 AND lower(name) = lower($2) AND NOT is_removed',
    [shop, name.trim()],
  );
  return rows[0]?.id ?? null;
}

export async function putFigures(
  sql: Sql,
  shop: ShopId,
  id: string,
  { name, source, system }: MakerFigures,
  by: string,
): Promise<void> {
  await sql.query(
    `INSERT INTO maker_figures (shop_id, figures_id, name, source, system, changed_by) VALUES ($1, $2, $3, $4, $5, $6)
     ON CONFLICT (shop_id, figures_id) DO UPDATE
       SET name = excluded.name, source = excluded.source, system = excluded.system,
           changed_by = excluded.changed_by, changed_at = now(), is_removed = false`,
    [shop, id, name.trim(), source.trim(), system, by],
  );
}

/** @returns false where there is no such record. */
export async function removeFigures(sql: Sql, shop: ShopId, id: string): Promise<boolean> {
  const { rowCount } = await sql.query(
    'UPDATE maker_figures SET is_removed = true WHERE shop_id = $1 AND figures_id = $2 AND NOT is_removed',
    [shop, id],
  );
  return rowCount === 1;
}

/** Brings in a table: a name that is known is changed where anything is other, a new one is added. */
export async function importFigures(
  sql: Sql,
  shop: ShopId,
  rows: readonly MakerFigures[],
  by: string,
): Promise<ImportedFiguresView> {
  // the database keeps no order of fields
  const keyOf = ({ name, source, system }: MakerFigures): string => canonical([name.trim(), source.trim(), system]);
  const named = await figuresNamed(
    sql,
    shop,
    rows.map(({ name }) => name.trim()),
  );
  const known = new Map(named.map((one) => [one.name.toLowerCase(), one]));
  const counts = { added: 0, changed: 0, same: 0 };
  for (const row of rows) {
    const before = known.get(row.name.trim().toLowerCase());
    if (before && keyOf(before) === keyOf(row)) counts.same++;
    else {
      counts[before ? 'changed' : 'added']++;
      await putFigures(sql, shop, before?.id ?? randomUUID(), row, by);
    }
  }
  return counts;
}
