import type { ShopId } from '@tetrad/contracts';
import type { InstrumentBody, InstrumentView, NewCheck } from '@tetrad/contracts';
import { checkShape, isGoodCheck, uncertaintyShape } from '@tetrad/core';
import type { CheckFindings, InstrumentKind, Uncertainty } from '@tetrad/core';
import { isStandIn } from './stand-ins/stand-in-addresses';
import type { StandIns } from './stand-ins/stand-in-addresses';
import type { Sql } from '../platform/database/pool';

export interface InstrumentRow {
  readonly id: string;
  readonly name: string;
  readonly kind: InstrumentKind;
  readonly uncertainty: Uncertainty;
  readonly address: string | null;
  readonly millivoltsPerAmp: number | null;
  readonly findings: CheckFindings | null;
  readonly by: string | null;
  readonly at: Date | null;
}

/** An instrument as it is told; @throws Error for one that is not as the table of the trade knows it. */
export function instrumentView(
  { id, name, kind, uncertainty, findings, by, at, ...live }: InstrumentRow,
  standIns: StandIns,
): InstrumentView {
  const [misfit] = checkShape(uncertaintyShape, uncertainty).misfits;
  if (misfit) throw new Error(`uncertainty${misfit.path.slice(1)} does not fit`);
  const check = findings && at ? { at: at.toISOString(), by, findings, isGood: isGoodCheck(findings) } : null;
  const { address, millivoltsPerAmp } = live;
  return { id, name, kind, uncertainty, address, millivoltsPerAmp, isSimulated: isStandIn(standIns, address), check };
}

/** The instruments a shop uses, by name, each with its newest check; one alone where `id` is given. */
export async function listInstruments(sql: Sql, shop: ShopId, id?: string): Promise<readonly InstrumentRow[]> {
  const { rows } = await sql.query<InstrumentRow>(
    `SELECT i.instrument_id AS id, i.name, i.kind, i.uncertainty, i.address,
            i.millivolts_per_amp AS "millivoltsPerAmp", c.findings, c.checked_by AS by, c.checked_at AS at
       FROM instrument i
       LEFT JOIN LATERAL (SELECT findings, checked_by, checked_at FROM instrument_check
                           WHERE shop_id = i.shop_id AND instrument_id = i.instrument_id
                           ORDER BY seq DESC LIMIT 1) c ON true
      WHERE i.shop_id = $1 AND ($2::uuid IS NULL OR i.instrument_id = $2) AND (NOT i.retired OR $2::uuid IS NOT NULL)
      ORDER BY lower(i.name), i.instrument_id`,
    [shop, id ?? null],
  );
  return rows;
}

/** Adds an instrument, or changes the one of that id. */
export async function putInstrument(sql: Sql, shop: ShopId, id: string, body: InstrumentBody): Promise<void> {
  await sql.query(
    `INSERT INTO instrument (shop_id, instrument_id, name, kind, uncertainty, retired, address, millivolts_per_amp)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8)
     ON CONFLICT (shop_id, instrument_id) DO UPDATE
       SET name = excluded.name, kind = excluded.kind, uncertainty = excluded.uncertainty, retired = excluded.retired,
           address = excluded.address, millivolts_per_amp = excluded.millivolts_per_amp`,
    [
      shop,
      id,
      body.name,
      body.kind,
      body.uncertainty,
      body.retired ?? false,
      body.address || null,
      body.millivoltsPerAmp ?? null,
    ],
  );
}

/** Notes how an instrument did; a repeat is stored once. @returns false where the shop has no such instrument. */
export async function addCheck(sql: Sql, shop: ShopId, id: string, check: NewCheck, by: string): Promise<boolean> {
  const known = await sql.query('SELECT 1 FROM instrument WHERE shop_id = $1 AND instrument_id = $2', [shop, id]);
  if (known.rowCount === 0) return false;
  await sql.query(
    `INSERT INTO instrument_check (shop_id, instrument_id, check_id, findings, checked_by) VALUES ($1, $2, $3, $4, $5)
     ON CONFLICT DO NOTHING`,
    [shop, id, check.id, check.findings, by],
  );
  return true;
}
