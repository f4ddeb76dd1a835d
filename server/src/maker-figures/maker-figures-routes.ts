import type { MakerFigures } from '@tetrad/contracts';
import type { MakerFiguresView, ShopId } from '@tetrad/contracts';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { actor, whoOf } from '../people/who';
import type { Pool, Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { shopParam, uuidParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { misfit, notFound } from '../platform/http/problem';
import { idOfName, importFigures, listFigures, putFigures, removeFigures } from './maker-figures.sql';

/** The shop's library of makers' figures. @param lists Where lists are read from. */
export function makerFiguresRoutes(
  pool: Pool,
  lists: Sql,
): Handlers<'listMakerFigures' | 'putMakerFigures' | 'removeMakerFigures' | 'importMakerFigures'> {
  return {
    listMakerFigures: async (request, response) => {
      response.json((await listFigures(lists, shopParam(request))) satisfies readonly MakerFiguresView[]);
    },

    putMakerFigures: async (request, response, { body }) => {
      const who = whoOf(request);
      const [shop, id] = [shopParam(request), uuidParam(request, 'figures')];
      await runIdempotent(pool, request, async (sql) => {
        await mustBeFree(sql, shop, body.name, id);
        await putFigures(sql, shop, id, body, who.name);
        await addAuditEntry(sql, {
          what: 'figures-changed',
          ...actor(request),
          about: id,
          detail: { name: body.name },
        });
      });
      response.json((await listFigures(pool, shop, id))[0]);
    },

    removeMakerFigures: async (request, response) => {
      const [shop, id] = [shopParam(request), uuidParam(request, 'figures')];
      await runIdempotent(pool, request, async (sql) => {
        if (!(await removeFigures(sql, shop, id))) throw notFound('record of a maker’s figures', id);
        await addAuditEntry(sql, { what: 'figures-removed', ...actor(request), about: id });
      });
      response.end();
    },

    importMakerFigures: async (request, response, { body }) => {
      const who = whoOf(request);
      const shop = shopParam(request);
      const { rows } = body;
      mustDiffer(rows);
      let counts = { added: 0, changed: 0, same: rows.length };
      await runIdempotent(pool, request, async (sql) => {
        counts = await importFigures(sql, shop, rows, who.name);
        await addAuditEntry(sql, { what: 'figures-imported', ...actor(request), detail: counts });
      });
      response.json(counts);
    },
  };
}

/** @throws Refusal where another record has the name. */
async function mustBeFree(sql: Sql, shop: ShopId, name: string, id: string): Promise<void> {
  const taken = await idOfName(sql, shop, name);
  if (taken !== null && taken !== id)
    throw misfit([{ field: 'name', found: name.trim(), allowed: 'a name that no other record has' }]);
}

/** @throws Refusal naming the second row of a name. */
function mustDiffer(rows: readonly MakerFigures[]): void {
  const first = new Map<string, number>();
  rows.forEach(({ name }, at) => {
    const key = name.trim().toLowerCase();
    const before = first.get(key);
    if (before !== undefined)
      throw misfit([
        { field: `rows[${at}].name`, found: name.trim(), allowed: `a name of its own: row ${before + 1} has it` },
      ]);
    first.set(key, at);
  });
}
