import { setImmediate as othersTurn } from 'node:timers/promises';
import type { VehicleImportView } from '@tetrad/contracts';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { actor } from '../people/who';
import type { Pool, Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam, uuidParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { notFound } from '../platform/http/problem';
import { applyImport, importedRows, knownVehicles, oneImportAtATime, undoImport } from './imports.sql';
import { planImport, readRows } from './plan-import';
import { refuseTaken } from '../vehicles/taken';

/** Lists of vehicles that are brought in as a whole, or not at all. */
export function vehicleImportRoutes(pool: Pool): Handlers<'importVehicles' | 'undoImport'> {
  return {
    importVehicles: async (request, response, { body }) => {
      const shop = shopParam(request);
      const { id, rows: given, isApplied } = body;
      await othersTurn(); // of thousands of rows each step takes long enough to let others in between
      const read = readRows(given, new Date());
      await othersTurn();
      const plan = async (sql: Sql) => {
        const known = await knownVehicles(sql, shop, read.rows);
        await othersTurn();
        return planImport(read, known);
      };
      if (!isApplied) {
        const told = (await plan(pool)).map(({ row: _row, was: _was, ...imported }) => imported);
        await othersTurn();
        return void response.json({ id, isApplied, rows: told } satisfies VehicleImportView);
      }
      await runIdempotent(pool, request, async (sql) => {
        await oneImportAtATime(sql, shop);
        const planned = await plan(sql);
        await refuseTaken(() => applyImport(sql, shop, id, planned));
        const count = (what: string): number => planned.filter((row) => row.what === what).length;
        const detail = { added: count('new'), changed: count('changed') };
        await addAuditEntry(sql, { what: 'vehicles-imported', ...actor(request), about: id, detail });
      });
      const stored = (await importedRows(pool, shop, id)) ?? [];
      response.json({ id, isApplied, rows: stored } satisfies VehicleImportView);
    },

    undoImport: async (request, response) => {
      const [shop, id] = [shopParam(request), uuidParam(request, 'import')];
      await runIdempotent(pool, request, async (sql) => {
        const changed = await refuseTaken(() => undoImport(sql, shop, id));
        if (changed === null) throw notFound('import that can be undone', id);
        await addAuditEntry(sql, {
          what: 'import-undone',
          ...actor(request),
          about: id,
          detail: { vehicles: changed },
        });
      });
      response.json({ id, vehicles: (await importedRows(pool, shop, id))?.length ?? 0 });
    },
  };
}
