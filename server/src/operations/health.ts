/** Health is the process, readiness is what it needs: the one tells to restart it, the other to send it nothing yet. */
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';

export function healthRoutes(pool: Pool): Handlers<'getHealth' | 'getReady'> {
  return {
    getHealth: (_request, response) => {
      response.json({ status: 'ok' });
    },

    getReady: async (_request, response) => {
      await pool.query('SELECT 1');
      response.json({ status: 'ready' });
    },
  };
}
