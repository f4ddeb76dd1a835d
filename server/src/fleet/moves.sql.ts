/** Jobs that go from one vehicle to another, and back. */
import type { MoveJobs, ShopId } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';

/** Two vehicles as they stand now, whatever they were called by. */
export interface MovedBetween {
  readonly from: string;
  readonly to: string;
}

/**
 * Holds two vehicles, or what they have become, until the transaction ends: in the order of their ids, so that of two
 * who want the same the second waits, and none for each other.
 *
 * @returns null where the two are one record already.
 */
export async function holdBoth(sql: Sql, shop: ShopId, from: string, to: string): Promise<MovedBetween | null> {
  for (;;) {
    const { rows } = await sql.query<MovedBetween>('SELECT survivor($1, $2) AS "from", survivor($1, $3) AS "to"', [
      shop,
      from,
      to,
    ]);
    const both = rows[0]!;
    if (both.from === both.to) return null;
    const { rowCount } = await sql.query(
      `SELECT 1 FROM vehicle WHERE shop_id = $1 AND vehicle_id IN ($2, $3) AND merged_into IS NULL
        ORDER BY vehicle_id FOR NO KEY UPDATE`,
      [shop, both.from, both.to],
    );
    if (rowCount === 2) return both; // else one of them was merged while it was waited for
  }
}

/**
 * Moves jobs of a vehicle to another; all of them makes the two one. Both are held.
 *
 * @returns the ids of the jobs that were moved.
 */
export async function moveJobs(
  sql: Sql,
  shop: ShopId,
  { from, to }: MovedBetween,
  { id, jobs }: MoveJobs,
): Promise<readonly string[]> {
  const isMerge = jobs === undefined;
  const filled = isMerge ? await becomeOne(sql, shop, from, to) : {};
  const { rows } = await sql.query<{ readonly id: string }>(
    `UPDATE job SET vehicle_id = $3, version = version + 1, changed_at = now()
      WHERE shop_id = $1 AND vehicle_id = $2 AND ($4::uuid[] IS NULL OR job_id = ANY ($4)) RETURNING job_id AS id`,
    [shop, from, to, jobs ?? null],
  );
  const moved = rows.map((row) => row.id);
  await sql.query(
    `INSERT INTO vehicle_move (shop_id, move_id, from_vehicle, to_vehicle, jobs, is_merge, filled)
     VALUES ($1, $2, $3, $4, $5, $6, $7)`,
    [shop, id, from, to, JSON.stringify(moved), isMerge, filled],
  );
  return moved;
}

/** What is told of a vehicle, by its column. */
type Fields = Readonly<Record<string, unknown>>;

/** Makes a record another. What that one lacks it has from it. @returns what was filled in. */
async function becomeOne(sql: Sql, shop: ShopId, from: string, to: string): Promise<Fields> {
  await sql.query('UPDATE vehicle SET merged_into = $3 WHERE shop_id = $1 AND vehicle_id = $2', [shop, from, to]);
  const { rows } = await sql.query<{ readonly filled: Fields }>(
    `WITH lacks AS (
       SELECT jsonb_strip_nulls(jsonb_build_object(
                'plate', CASE WHEN t.plate IS NULL AND NOT f.is_twin THEN f.plate END,
                'vin', CASE WHEN t.vin IS NULL AND NOT f.is_twin THEN f.vin END,
                'year', CASE WHEN t.year IS NULL THEN f.year END,
                'group_name', CASE WHEN t.group_name IS NULL THEN f.group_name END,
                'battery_fitted_on', CASE WHEN t.battery_fitted_on IS NULL THEN f.battery_fitted_on END)) AS filled
         FROM vehicle t, vehicle f
        WHERE t.shop_id = $1 AND t.vehicle_id = $3 AND f.shop_id = $1 AND f.vehicle_id = $2)
     UPDATE vehicle v
        SET is_removed = false,
            plate = coalesce(v.plate, filled->>'plate'), vin = coalesce(v.vin, filled->>'vin'),
            year = coalesce(v.year, (filled->>'year')::integer),
            group_name = coalesce(v.group_name, filled->>'group_name'),
            battery_fitted_on = coalesce(v.battery_fitted_on, (filled->>'battery_fitted_on')::date)
       FROM lacks WHERE v.shop_id = $1 AND v.vehicle_id = $3 RETURNING filled`,
    [shop, from, to],
  );
  return rows[0]!.filled;
}

interface Merge {
  readonly to: string;
  readonly filled: Fields;
}
interface Move extends Merge {
  readonly from: string;
  readonly jobs: readonly string[];
  readonly isMerge: boolean;
}

/**
 * Brings the jobs of a move back, wherever the two vehicles stand now.
 *
 * @returns how many; null where there is no such move, or it was undone before.
 */
export async function undoMove(sql: Sql, shop: ShopId, id: string): Promise<number | null> {
  const { rows } = await sql.query<Move>(
    `UPDATE vehicle_move SET undone_at = now() WHERE shop_id = $1 AND move_id = $2 AND undone_at IS NULL
     RETURNING from_vehicle AS "from", to_vehicle AS "to", jobs, is_merge AS "isMerge", filled`,
    [shop, id],
  );
  const [move] = rows;
  if (!move) return null;
  if (move.isMerge) await becomeTwo(sql, shop, move);
  const both = await holdBoth(sql, shop, move.from, move.to);
  if (!both) return 0; // a later merge made them one: the jobs stand there
  const { rowCount } = await sql.query(
    `UPDATE job SET vehicle_id = $3, version = version + 1, changed_at = now()
      WHERE shop_id = $1 AND vehicle_id = $2 AND job_id = ANY ($4::uuid[])`,
    [shop, both.to, both.from, move.jobs],
  );
  return rowCount ?? 0;
}

/** A merged record stands by itself again; what the merges have filled in from it, and nobody has changed, goes. */
async function becomeTwo(sql: Sql, shop: ShopId, { from, to, filled }: Move): Promise<void> {
  for (let next: Merge | undefined = { to, filled }; next && Object.keys(next.filled).length > 0;) {
    const given: Merge = next;
    const emptied = (column: string, type = 'text'): string =>
      `${column} = CASE WHEN ${column} = ($3::jsonb->>'${column}')::${type} THEN NULL ELSE ${column} END`;
    await sql.query(
      `UPDATE vehicle SET ${emptied('plate')}, ${emptied('vin')}, ${emptied('year', 'integer')},
              ${emptied('group_name')}, ${emptied('battery_fitted_on', 'date')}
        WHERE shop_id = $1 AND vehicle_id = $2`,
      [shop, given.to, given.filled],
    );
    const { rows } = await sql.query<Merge>(
      `SELECT to_vehicle AS "to", filled FROM vehicle_move
        WHERE shop_id = $1 AND from_vehicle = $2 AND is_merge AND undone_at IS NULL ORDER BY moved_at DESC LIMIT 1`,
      [shop, given.to],
    );
    next = rows[0] && {
      to: rows[0].to,
      filled: Object.fromEntries(
        Object.entries(rows[0].filled).filter(([name, value]) => given.filled[name] === value),
      ),
    };
  }
  await sql.query('UPDATE vehicle SET merged_into = NULL WHERE shop_id = $1 AND vehicle_id = $2', [shop, from]);
}

/** How many jobs a move took along; a repeat is answered as the first was. */
export async function movedBy(sql: Sql, shop: ShopId, id: string): Promise<number> {
  const { rows } = await sql.query<{ readonly moved: number }>(
    'SELECT jsonb_array_length(jobs) AS moved FROM vehicle_move WHERE shop_id = $1 AND move_id = $2',
    [shop, id],
  );
  return rows[0]?.moved ?? 0;
}
