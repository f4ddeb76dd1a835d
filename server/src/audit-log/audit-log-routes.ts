import { misfit } from '../platform/http/problem';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { listActs } from './audit-log.sql';

const PAGE = 100;

/** The audit log, page by page from the newest. */
export function auditLogRoutes(pool: Pool): Handlers<'listAuditLog'> {
  return {
    listAuditLog: async (request, response) => {
      const word = request.query['before'];
      if (word !== undefined && !/^[1-9]\d{0,14}$/.test(String(word)))
        throw misfit([{ field: 'before', found: JSON.stringify(word), allowed: 'the number of an entry' }]);
      response.json(await listActs(pool, word === undefined ? null : Number(word), PAGE));
    },
  };
}
