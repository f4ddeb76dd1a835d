/** Jobs that go from one vehicle to another, and back. */
import type { MoveJobs, ShopId } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';

/**
 * Moves jobs of a vehicle to another; all of them makes the two one.
 *
 * @returns the ids of the jobs that were moved.
 */
export async function moveJobs(
  sql: Sql,
  shop: ShopId,
  from: string,
  { id, to, jobs }: MoveJobs,
): Promise<readonly string[]> {
  const { rows } = await sql.query<{ readonly id: string }>(
    `UPDATE job SET vehicle_id = $3, version = version + 1, changed_at = now()
      WHERE shop_id = $1 AND vehicle_id = $2 AND ($4::uuid[] IS NULL OR job_id = ANY ($4)) RETURNING job_id AS id`,
    [shop, from, to, jobs ?? null],
  );
  const moved = rows.map((row) => row.id);
  const isMerge = jobs === undefined;
  await sql.query(
    `INSERT INTO vehicle_move (shop_id, move_id, from_vehicle, to_vehicle, jobs, is_merge) VALUES ($1, $2, $3, $4, $5, $6)`,
    [shop, id, from, to, JSON.stringify(moved), isMerge],
  );
  if (isMerge)
    await sql.query('UPDATE vehicle SET merged_into = $3 WHERE shop_id = $1 AND vehicle_id = $2', [shop, from, to]);
  return moved;
}

interface Move {
  readonly from: string;
  readonly to: string;
  readonly jobs: readonly string[];
  readonly isMerge: boolean;
}

/** Brings the jobs of a move back. @returns how many; null where there is no such move, or it was undone before. */
export async function undoMove(sql: Sql, shop: ShopId, id: string): Promise<number | null> {
  const { rows } = await sql.query<Move>(
    `UPDATE vehicle_move SET undone_at = now() WHERE shop_id = $1 AND move_id = $2 AND undone_at IS NULL
     RETURNING from_vehicle AS "from", to_vehicle AS "to", jobs, is_merge AS "isMerge"`,
    [shop, id],
  );
  const [move] = rows;
  if (!move) return null;
  // a later merge stands where one job alone is brought back
  if (move.isMerge)
    await sql.query('UPDATE vehicle SET merged_into = NULL WHERE shop_id = $1 AND vehicle_id = $2', [shop, move.from]);
  const { rowCount } = await sql.query(
    `UPDATE job SET vehicle_id = $3, version = version + 1, changed_at = now()
      WHERE shop_id = $1 AND vehicle_id = $2 AND job_id = ANY ($4::uuid[])`,
    [shop, move.to, move.from, move.jobs],
  );
  return rowCount ?? 0;
}

/** How many jobs a move took along; a repeat is answered as the first was. */
export async function movedBy(sql: Sql, shop: ShopId, id: string): Promise<number> {
  const { rows } = await sql.query<{ readonly moved: number }>(
    'SELECT jsonb_array_length(jobs) AS moved FROM vehicle_move WHERE shop_id = $1 AND move_id = $2',
    [shop, id],
  );
  return rows[0]?.moved ?? 0;
}
