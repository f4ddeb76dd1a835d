import type { JobId, ShopId } from '@tetrad/contracts';
import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import { CAPTURE_PIECE_BYTES, PAGE_MOST } from '@tetrad/contracts';
import type { AlikeCapture, CaptureView, NewCapture, VehicleCaptureView } from '@tetrad/contracts';
import type { Capture } from '@tetrad/core/capture-format';
import { isoTime } from '../platform/database/iso-time';
import { cursorOf, pageOf, placeOf } from '../platform/database/page';
import type { Page } from '../platform/database/page';
import type { Sql } from '../platform/database/pool';
import { seesJob } from '../people/access';
import type { Scope } from '../people/access';
import type { Piece } from './piece';

const unpack = promisify(gunzip);

export interface CaptureRow {
  readonly id: string;
  readonly job: JobId;
  readonly name: string;
  readonly bytes: number;
  readonly by: string | null;
  readonly at: Date;
  readonly pieces: readonly number[];
  readonly stored: number;
  readonly found: Capture | null;
}

/** How many pieces a file of so many bytes has, and how long one of them is. */
export const pieceCount = (bytes: number): number => Math.ceil(bytes / CAPTURE_PIECE_BYTES);
export const pieceBytes = (bytes: number, number: number): number =>
  Math.min(CAPTURE_PIECE_BYTES, bytes - number * CAPTURE_PIECE_BYTES);

const SELECT = `
  SELECT c.capture_id AS id, c.job_id AS job, c.name, c.bytes::float8 AS bytes, c.added_by AS by, c.added_at AS at,
         coalesce(p.numbers, '{}') AS pieces, coalesce(p.stored, 0)::float8 AS stored, f.found
    FROM capture c
    LEFT JOIN LATERAL (SELECT array_agg(number ORDER BY number) AS numbers, sum(bytes) AS stored
                         FROM capture_piece WHERE shop_id = c.shop_id AND capture_id = c.capture_id) p ON true
    LEFT JOIN LATERAL (SELECT found FROM capture_found WHERE shop_id = c.shop_id AND capture_id = c.capture_id
                        ORDER BY seq DESC LIMIT 1) f ON true`;

export const captureView = ({ id, name, bytes, by, at, pieces, stored, found }: CaptureRow): CaptureView => ({
  id,
  name,
  bytes,
  by,
  at: at.toISOString(),
  pieces,
  isWhole: stored === bytes,
  found,
});

/** A page of a job's captures, the newest first. */
export async function capturesOfJob(
  sql: Sql,
  shop: ShopId,
  job: JobId,
  { limit, after }: { readonly limit: number; readonly after?: string | undefined },
): Promise<Page<CaptureRow>> {
  const values: unknown[] = [shop, job, limit + 1];
  const value = (given: unknown): string => `$${values.push(given)}`;
  const from = after ? `AND (c.added_at, c.capture_id) < ${placeOf(after, value)}` : '';
  const { rows } = await sql.query<CaptureRow & { cursor: string }>(
    `SELECT one.*, ${cursorOf('one.at', 'one.id')} AS cursor
       FROM (${SELECT} WHERE c.shop_id = $1 AND c.job_id = $2 ${from}
              ORDER BY c.added_at DESC, c.capture_id DESC LIMIT $3) one ORDER BY one.at DESC, one.id DESC`,
    values,
  );
  return pageOf(rows, limit);
}

/** All captures of a job, in the order in which they were added. */
export async function allCapturesOfJob(sql: Sql, shop: ShopId, job: JobId): Promise<readonly CaptureRow[]> {
  const all: CaptureRow[] = [];
  let after: string | undefined;
  do {
    const { rows, next } = await capturesOfJob(sql, shop, job, { limit: PAGE_MOST, after });
    all.push(...rows);
    after = next ?? undefined;
  } while (after);
  return all.reverse();
}

interface AlikeRow extends CaptureRow {
  readonly vehicle: string;
  readonly sameVehicle: boolean;
}

export const alikeView = (row: AlikeRow): AlikeCapture => ({
  ...captureView(row),
  vehicle: row.vehicle,
  isSameVehicle: row.sameVehicle,
});

/**
 * Captures of other jobs to lay beneath: of the same vehicle, newest first, then of an engine of the same cylinders,
 * fuel and displacement in other vehicles.
 *
 * @param scope Of who asks.
 */
export async function capturesAlike(sql: Sql, shop: ShopId, job: JobId, scope: Scope): Promise<readonly AlikeRow[]> {
  const { rows } = await sql.query<AlikeRow>(
    `SELECT alike.*, vehicle.name AS vehicle, vehicle.vehicle_id = own.vehicle_id AS "sameVehicle"
       FROM job own
       JOIN job other ON other.shop_id = own.shop_id AND other.job_id <> own.job_id
        AND (other.vehicle_id = own.vehicle_id
             OR own.system -> 'engine' ?& '{cylinders,fuel,displacementLitres}'
                AND other.system #> '{engine,cylinders}' = own.system #> '{engine,cylinders}'
                AND other.system #> '{engine,fuel}' = own.system #> '{engine,fuel}'
                AND other.system #> '{engine,displacementLitres}' = own.system #> '{engine,displacementLitres}')
       JOIN vehicle ON vehicle.shop_id = own.shop_id AND vehicle.vehicle_id = other.vehicle_id
       JOIN LATERAL (${SELECT} WHERE c.shop_id = own.shop_id AND c.job_id = other.job_id) alike ON alike.stored = alike.bytes
      WHERE own.shop_id = $1 AND own.job_id = $2 AND ${seesJob('other', '$3')}
      ORDER BY "sameVehicle" DESC, alike.at DESC, alike.id LIMIT 50`,
    [shop, job, scope],
  );
  return rows;
}

export async function findCapture(sql: Sql, shop: ShopId, id: string): Promise<CaptureRow | null> {
  const { rows } = await sql.query<CaptureRow>(`${SELECT} WHERE c.shop_id = $1 AND c.capture_id = $2`, [shop, id]);
  return rows[0] ?? null;
}

/** Announces a file; the same id again changes nothing. */
export async function addCapture(
  sql: Sql,
  shop: ShopId,
  job: JobId,
  body: NewCapture,
  by: string | null = null,
): Promise<void> {
  await sql.query(
    `INSERT INTO capture (shop_id, capture_id, job_id, name, bytes, added_by) VALUES ($1, $2, $3, $4, $5, $6)
     ON CONFLICT DO NOTHING`,
    [shop, body.id, job, body.name, body.bytes, by],
  );
}

/**
 * Bytes that count for a shop's quota: whole files and those announced within a day at their length, and of files that
 * never came whole only what is stored of them.
 */
export async function shopBytes(sql: Sql, shop: ShopId): Promise<number> {
  const { rows } = await sql.query<{ bytes: number }>(
    `SELECT coalesce(sum(CASE WHEN c.added_at > now() - interval '1 day' THEN c.bytes ELSE coalesce(p.stored, 0) END),
                     0)::float8 AS bytes
       FROM capture c
       LEFT JOIN (SELECT capture_id, sum(bytes) AS stored FROM capture_piece WHERE shop_id = $1 GROUP BY capture_id) p
         USING (capture_id)
      WHERE c.shop_id = $1`,
    [shop],
  );
  return rows[0]!.bytes;
}

/** Stores a piece once. @returns false where another piece is stored under this number. */
export async function addPiece(sql: Sql, shop: ShopId, id: string, piece: Piece): Promise<boolean> {
  const added = await sql.query(
    `INSERT INTO capture_piece (shop_id, capture_id, number, bytes, sha256, packed) VALUES ($1, $2, $3, $4, $5, $6)
     ON CONFLICT DO NOTHING`,
    [shop, id, piece.number, piece.bytes, piece.sha256, piece.packed],
  );
  if (added.rowCount) return true;
  const { rows } = await sql.query<{ sha256: Buffer }>(
    'SELECT sha256 FROM capture_piece WHERE shop_id = $1 AND capture_id = $2 AND number = $3',
    [shop, id, piece.number],
  );
  return rows[0]?.sha256.equals(piece.sha256) ?? false;
}

/** One piece as it is stored, compressed. */
export async function packedPiece(sql: Sql, shop: ShopId, id: string, number: number): Promise<Buffer | null> {
  const { rows } = await sql.query<{ packed: Buffer }>(
    'SELECT packed FROM capture_piece WHERE shop_id = $1 AND capture_id = $2 AND number = $3',
    [shop, id, number],
  );
  return rows[0]?.packed ?? null;
}

/** The bytes of the pieces that are stored, in their order: of a whole file the file. */
export async function* storedBytes(sql: Sql, shop: ShopId, { id, pieces }: Pick<CaptureRow, 'id' | 'pieces'>) {
  for (const number of pieces) {
    const packed = await packedPiece(sql, shop, id, number);
    if (!packed) throw new Error(`piece ${number} of capture ${id} is gone`);
    yield await unpack(packed);
  }
}

/** Notes what was found; what was found before stays beneath it. */
export async function addFound(sql: Sql, shop: ShopId, id: string, found: Capture): Promise<void> {
  await sql.query(
    `INSERT INTO capture_found (shop_id, capture_id, found)
     SELECT $1, $2, $3::jsonb
      WHERE $3::jsonb IS DISTINCT FROM (SELECT found FROM capture_found WHERE shop_id = $1 AND capture_id = $2
                                         ORDER BY seq DESC LIMIT 1)`,
    [shop, id, JSON.stringify(found)],
  );
}

/** Whole recordings of a vehicle's visits, the newest first. */
export async function capturesOfVehicle(
  sql: Sql,
  shop: ShopId,
  vehicle: string,
  scope: Scope,
): Promise<readonly VehicleCaptureView[]> {
  const { rows } = await sql.query<VehicleCaptureView>(
    `SELECT c.capture_id AS id, c.job_id AS job, c.name, c.bytes::float8 AS bytes, ${isoTime('c.added_at')} AS at
       FROM capture c JOIN job j ON j.shop_id = $1 AND j.job_id = c.job_id
      WHERE c.shop_id = $1 AND j.vehicle_id = survivor($1, $2) AND ${seesJob('j', '$3')}
        AND c.bytes = (SELECT coalesce(sum(p.bytes), 0) FROM capture_piece p WHERE p.shop_id = $1 AND p.capture_id = c.capture_id)
      ORDER BY c.added_at DESC, c.capture_id LIMIT ${PAGE_MOST}`,
    [shop, vehicle, scope],
  );
  return rows;
}
