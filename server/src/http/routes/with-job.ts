import type { Request } from 'express';
import { may } from '@tetrad/contracts';
import { addAct } from '../../acts/acts.sql';
import type { ActName } from '../../acts/acts.sql';
import { actor, permit, whoOf } from '../../people/who';
import type { SignedIn } from '../../people/session-store';
import { findJob } from '../../sql/jobs';
import type { JobRow } from '../../sql/jobs';
import { inTransaction } from '../../sql/pool';
import type { Pool, Sql } from '../../sql/pool';
import { shopParam, uuidParam } from '../body';
import { isRepeat } from '../once';
import { notFound } from '../problem';
import { Turns } from '../turns';

const turns = new Turns();

/** Whether a person may see a job: all of them, or one's own and those that nobody has taken. */
export const maySee = ({ role, name, kind }: SignedIn, { assignee }: Pick<JobRow, 'assignee'>): boolean =>
  may(role, 'see-all-jobs') || kind === 'phone' || assignee === null || assignee === name;

/** Of whom somebody sees the jobs, beside those that nobody has; null of everybody. See `seenBy` in `sql/seen-by.ts`. */
export function seesOnly(request: Request): string | null {
  const { role, name } = whoOf(request);
  return may(role, 'see-all-jobs') ? null : name;
}

/** The job of the address. @throws Refusal 404 where it is not there, or not for who asks. */
export async function jobOf(sql: Sql, request: Request, lock = false): Promise<JobRow> {
  const id = uuidParam(request, 'job');
  const job = await findJob(sql, shopParam(request), id, lock);
  if (!job || !maySee(whoOf(request), job)) throw notFound('job', id);
  return job;
}

/**
 * Locks the job and does the work in one transaction, so that of two at once both count, and notes it in the record of
 * acts.
 *
 * @param what Its name there; null for what is no evidence.
 * @param work Gives what else the record should hold.
 */
export function withJob(
  pool: Pool,
  request: Request,
  what: ActName | null,
  work: (sql: Sql, job: JobRow) => Promise<Readonly<Record<string, unknown>> | void>,
): Promise<void> {
  permit(request, 'work');
  const id = uuidParam(request, 'job');
  return turns.take(`${shopParam(request)} ${id}`, () =>
    inTransaction(pool, async (sql) => {
      const job = await jobOf(sql, request, true);
      if (await isRepeat(sql, request)) return;
      const detail = await work(sql, job);
      if (what) await addAct(sql, { what, ...actor(request), about: id, ...(detail && { detail }) });
    }),
  );
}
