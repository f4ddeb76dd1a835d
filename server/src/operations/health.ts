/** Health is the process, readiness is what it needs: the one tells to restart it, the other to send it nothing yet. */
import { Router } from 'express';
import type { Pool } from '../platform/database/pool';

export function healthRoutes(pool: Pool): Router {
  const router = Router();
  router.get('/api/health', (_request, response) => {
    response.json({ status: 'ok' });
  });
  router.get('/api/ready', async (_request, response) => {
    await pool.query('SELECT 1');
    response.json({ status: 'ready' });
  });
  return router;
}
