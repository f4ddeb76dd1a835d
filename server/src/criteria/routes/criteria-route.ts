import type { OperationId } from '@tetrad/contracts/operations';
import type { Pool, Sql } from '../../platform/database/pool';
import type { Handler } from '../../platform/http/handlers';

/** What answers an operation of the criteria sets. @param lists Where jobs are read from. */
export type CriteriaRoute<Id extends OperationId> = (pool: Pool, lists: Sql) => Handler<Id>;
