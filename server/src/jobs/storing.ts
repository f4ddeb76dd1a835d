import { judgingOutside } from '../judgements/judge-outside';
import { inTransaction } from '../platform/database/pool';
import type { Pool, Sql } from '../platform/database/pool';

/** Stores new jobs, which are judged with it, in one transaction. */
export const storing = <T>(pool: Pool, work: (sql: Sql) => Promise<T>): Promise<T> =>
  judgingOutside(() => inTransaction(pool, work));
