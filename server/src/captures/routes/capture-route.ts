import type { Request, Response } from 'express';
import type { Pool } from '../../platform/database/pool';

/** One route of captures. @param quotaBytes What one shop may keep. */
export type CaptureRoute = (pool: Pool, quotaBytes: number) => (request: Request, response: Response) => Promise<void>;
