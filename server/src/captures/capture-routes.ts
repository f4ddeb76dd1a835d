import { Router, raw } from 'express';
import { CAPTURE_PIECE_BYTES } from '@tetrad/contracts';
import { only } from '../people/who';
import type { Pool } from '../platform/database/pool';
import type { LeftOutRows } from '../platform/left-out-rows';
import { announceCapture } from './routes/announce-capture';
import { listAlike, listCaptures } from './routes/list-captures';
import { sendFile } from './routes/send-file';
import { storeFound } from './routes/store-found';
import { storePiece } from './routes/store-piece';

/** Bytes of recorded files that a shop may keep. */
export const SHOP_QUOTA_BYTES = 50_000_000_000;

/**
 * Recorded files: announced, sent piece by piece, told what was found in them, and given back as they were. One
 * piece at a time is in memory; a broken connection goes on with the pieces that are missing.
 *
 * @param quotaBytes What one shop may keep.
 */
export function captureRoutes(pool: Pool, leftOut: LeftOutRows, quotaBytes = SHOP_QUOTA_BYTES): Router {
  const router = Router({ mergeParams: true });
  const bytes = raw({ type: 'application/octet-stream', limit: CAPTURE_PIECE_BYTES });
  router.get('/jobs/:job/captures', listCaptures(leftOut)(pool));
  // those of other vehicles are nothing for a phone beside one job
  router.get('/jobs/:job/captures-alike', only('device'), listAlike(leftOut)(pool));
  router.post('/jobs/:job/captures', announceCapture(quotaBytes)(pool));
  router.put('/captures/:capture/pieces/:number', bytes, storePiece(pool));
  router.post('/captures/:capture/found', storeFound(pool));
  router.get('/captures/:capture/file', sendFile(pool));
  return router;
}
