import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { listActs } from './audit-log.sql';

const PAGE = 100;

/** The audit log, page by page from the newest. */
export function auditLogRoutes(pool: Pool): Handlers<'listAuditLog'> {
  return {
    listAuditLog: async (_request, response, { query: { before = null } }) => {
      response.json(await listActs(pool, before, PAGE));
    },
  };
}
