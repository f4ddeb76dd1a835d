import { isDeepStrictEqual } from 'node:util';
import type { InstrumentBody } from '@tetrad/contracts';
import type { InstrumentView, ShopId } from '@tetrad/contracts';
import { shopParam, uuidParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { notFound } from '../platform/http/problem';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { actor, permit, whoOf } from '../people/who';
import type { Pool, Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import type { LeftOutRows } from '../platform/left-out-rows';
import type { StandIns } from './stand-ins/stand-in-addresses';
import { addCheck, instrumentView, listInstruments, putInstrument } from './instruments.sql';
import type { InstrumentRow } from './instruments.sql';

/** What was written is told as it will be told from now on: a row that cannot be is undone with its transaction. */
const readBack = async (sql: Sql, shop: ShopId, id: string): Promise<InstrumentView> =>
  instrumentView((await listInstruments(sql, shop, id))[0]!, {});

/** Where an instrument is read, by what scale and how exactly is for those who lead: every reading by it leans on that. */
const reachesOtherwise = (before: InstrumentRow | undefined, body: InstrumentBody): boolean =>
  before === undefined
    ? Boolean(body.address)
    : (body.address || null) !== before.address ||
      (body.millivoltsPerAmp ?? null) !== before.millivoltsPerAmp ||
      !isDeepStrictEqual({ ...body.uncertainty }, { ...before.uncertainty });

/** The shop's instruments, and their daily check. @param standIns Those that are simulated. */
export function instrumentRoutes(
  pool: Pool,
  leftOut: LeftOutRows,
  standIns: StandIns,
): Handlers<'listInstruments' | 'putInstrument' | 'checkInstrument'> {
  const shown = (rows: readonly InstrumentRow[]) =>
    leftOut.show(rows, { list: 'instruments', idOf: ({ id }) => id, view: (row) => instrumentView(row, standIns) });

  return {
    listInstruments: async (request, response) => {
      response.json(shown(await listInstruments(pool, shopParam(request))));
    },

    putInstrument: async (request, response, { body }) => {
      const shop = shopParam(request);
      const id = uuidParam(request, 'instrument');
      await runIdempotent(pool, request, async (sql) => {
        const [before] = await listInstruments(sql, shop, id);
        if (reachesOtherwise(before, body)) permit(request, 'change-instruments');
        await putInstrument(sql, shop, id, body);
        const { check: _check, ...now } = await readBack(sql, shop, id);
        const was = before && { ...before, findings: undefined, by: undefined, at: undefined };
        const detail = { was: was ?? null, now: { ...now, isRetired: body.retired ?? false } };
        await addAuditEntry(sql, { what: 'instrument-changed', ...actor(request), about: id, detail });
      });
      response.json(shown(await listInstruments(pool, shop, id))[0]);
    },

    checkInstrument: async (request, response, { body }) => {
      const shop = shopParam(request);
      const id = uuidParam(request, 'instrument');
      const { name: by } = whoOf(request);
      const check = body;
      await runIdempotent(pool, request, async (sql) => {
        if (!(await addCheck(sql, shop, id, check, by))) throw notFound('instrument', id);
        await readBack(sql, shop, id);
        const detail = { check: check.id, findings: check.findings };
        await addAuditEntry(sql, { what: 'instrument-checked', ...actor(request), about: id, detail });
      });
      response.json(shown(await listInstruments(pool, shop, id))[0]);
    },
  };
}
