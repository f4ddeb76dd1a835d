import type { JobId, ShopId } from '@tetrad/contracts';
import type { OperationId } from '@tetrad/contracts/operations';
import type { SessionKind } from '@tetrad/contracts';
import type { Pool } from '../../platform/database/pool';
import type { Handler } from '../../platform/http/handlers';
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

/** What answers an operation of sessions. */
export type SessionRoute<Id extends OperationId> = (context: SessionContext) => Handler<Id>;

/** Who is signed in. @param job The one job of a phone. */
export const signedIn = (shop: ShopId, { id, name, role }: PersonRow, kind: SessionKind, job: JobId | null = null) => ({
  kind,
  shop,
  person: id,
  job,
  name,
  role,
});
