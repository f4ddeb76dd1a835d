import type { OperationId } from '@tetrad/contracts/operations';
import type { Pool } from '../../platform/database/pool';
import type { Handler } from '../../platform/http/handlers';

/** What answers an operation of captures. */
export type CaptureRoute<Id extends OperationId> = (pool: Pool) => Handler<Id>;
