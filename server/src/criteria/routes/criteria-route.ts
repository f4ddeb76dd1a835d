import type { Request, Response } from 'express';
import type { Pool, Sql } from '../../platform/database/pool';

/** A route of the criteria sets. @param lists Where jobs are read from. */
export type CriteriaRoute = (pool: Pool, lists: Sql) => (request: Request, response: Response) => Promise<void>;
