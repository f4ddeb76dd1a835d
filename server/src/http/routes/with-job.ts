import { findJob } from '../../sql/jobs';
import type { JobRow } from '../../sql/jobs';
import { inTransaction } from '../../sql/pool';
import type { Pool, Sql } from '../../sql/pool';
import { notFound } from '../problem';

/** Locks the job and does the work in one transaction, so that of two at once both count. */
export const withJob = (
  pool: Pool,
  shop: string,
  id: string,
  work: (sql: Sql, job: JobRow) => Promise<void>,
): Promise<void> =>
  inTransaction(pool, async (sql) => {
    const job = await findJob(sql, shop, id, true);
    if (!job) throw notFound('job', id);
    await work(sql, job);
  });
