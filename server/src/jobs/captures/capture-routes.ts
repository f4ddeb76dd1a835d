import type { Pool } from '../../platform/database/pool';
import type { Handlers } from '../../platform/http/handlers';
import type { LeftOutRows } from '../../platform/left-out-rows';
import { announceCapture } from './announce-capture';
import { listAlike, listCaptures } from './list-captures';
import { sendFile } from './send-file';
import { storeFound } from './store-found';
import { storePiece } from './store-piece';

/** Bytes of recorded files that a shop may keep. */
export const SHOP_QUOTA_BYTES = 50_000_000_000;

/**
 * Recorded files: announced, sent piece by piece, told what was found in them, and given back as they were. One
 * piece at a time is in memory; a broken connection goes on with the pieces that are missing.
 *
 * @param quotaBytes What one shop may keep.
 */
export function captureRoutes(
  pool: Pool,
  leftOut: LeftOutRows,
  quotaBytes = SHOP_QUOTA_BYTES,
): Handlers<'listCaptures' | 'listAlikeCaptures' | 'announceCapture' | 'storePiece' | 'storeFound' | 'getCaptureFile'> {
  return {
    listCaptures: listCaptures(leftOut)(pool),

    // those of other vehicles are nothing for a phone beside one job
    listAlikeCaptures: listAlike(leftOut)(pool),

    announceCapture: announceCapture(quotaBytes)(pool),

    storePiece: storePiece(pool),

    storeFound: storeFound(pool),

    getCaptureFile: sendFile(pool),
  };
}
