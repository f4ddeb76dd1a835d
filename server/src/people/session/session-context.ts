import type { JobId, ShopId } from '@tetrad/contracts';
import type { Request, Response } from 'express';
import type { SessionKind } from '@tetrad/contracts';
import type { Pool } from '../../platform/database/pool';
import type { DemoDoor } from '../demo';
import type { PersonRow } from '../people.sql';

/** What the routes of a session work with. */
export interface SessionContext {
  readonly pool: Pool;
  /** Where the demo lets people in without a password. */
  readonly door: DemoDoor;
  /** The shop that has accounts of its own; null where none has. */
  readonly singleSignOnShop: string | null;
}

/** One route. */
export type SessionRoute = (context: SessionContext) => (request: Request, response: Response) => Promise<void>;

/** Who is signed in. @param job The one job of a phone. */
export const signedIn = (shop: ShopId, { id, name, role }: PersonRow, kind: SessionKind, job: JobId | null = null) => ({
  kind,
  shop,
  person: id,
  job,
  name,
  role,
});
