import type { Request, Response } from 'express';
import type { Pool } from '../../platform/database/pool';

/** One route of captures. */
export type CaptureRoute = (pool: Pool) => (request: Request, response: Response) => Promise<void>;
