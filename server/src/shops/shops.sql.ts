import type { ShopChanges, ShopSettingsView, ShopView } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';

export async function listShops(sql: Sql): Promise<readonly ShopView[]> {
  const { rows } = await sql.query<ShopView>('SELECT shop_id AS id, name FROM shop ORDER BY name');
  return rows;
}

/** A shop, and what it chose for its devices. */
export interface ShopRow extends ShopView {
  readonly forgetsAtSignOut: boolean;
}

export async function findShop(sql: Sql, id: string): Promise<ShopRow | null> {
  const { rows } = await sql.query<ShopRow>(
    'SELECT shop_id AS id, name, forgets_at_sign_out AS "forgetsAtSignOut" FROM shop WHERE shop_id = $1',
    [id],
  );
  return rows[0] ?? null;
}

export async function shopSettings(sql: Sql, id: string): Promise<ShopSettingsView | null> {
  const { rows } = await sql.query<ShopSettingsView>(
    `SELECT shop_id AS id, name, forgets_at_sign_out AS "forgetsAtSignOut", instrument_hosts AS "instrumentHosts"
       FROM shop WHERE shop_id = $1`,
    [id],
  );
  return rows[0] ?? null;
}

export async function changeShop(sql: Sql, id: string, changes: ShopChanges): Promise<void> {
  await sql.query(
    'UPDATE shop SET forgets_at_sign_out = $2, instrument_hosts = coalesce($3, instrument_hosts) WHERE shop_id = $1',
    [id, changes.forgetsAtSignOut, changes.instrumentHosts ? JSON.stringify(changes.instrumentHosts) : null],
  );
}

export async function addShop(sql: Sql, { id, name }: ShopView): Promise<void> {
  await sql.query('INSERT INTO shop (shop_id, name) VALUES ($1, $2) ON CONFLICT DO NOTHING', [id, name]);
}
