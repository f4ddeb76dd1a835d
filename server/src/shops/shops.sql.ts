import type { ShopView } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';

export async function listShops(sql: Sql): Promise<readonly ShopView[]> {
  const { rows } = await sql.query<ShopView>('SELECT shop_id AS id, name FROM shop ORDER BY name');
  return rows;
}

export async function findShop(sql: Sql, id: string): Promise<ShopView | null> {
  const { rows } = await sql.query<ShopView>('SELECT shop_id AS id, name FROM shop WHERE shop_id = $1', [id]);
  return rows[0] ?? null;
}

export async function addShop(sql: Sql, { id, name }: ShopView): Promise<void> {
  await sql.query('INSERT INTO shop (shop_id, name) VALUES ($1, $2) ON CONFLICT DO NOTHING', [id, name]);
}
