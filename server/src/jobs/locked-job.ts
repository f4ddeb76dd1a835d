import type { JobId } from '@tetrad/contracts';
import type { Request } from 'express';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import type { AuditAction } from '../audit-log/audit-log.sql';
import { scopeOfRequest } from '../people/access';
import { actor } from '../people/who';
import { judgingOutside } from '../judgements/judge-outside';
import { findJob } from '../job-store/jobs.sql';
import type { JobRow } from '../job-store/jobs.sql';
import { inParts } from '../platform/database/pool';
import type { Pool, Sql } from '../platform/database/pool';
import { jobParam, shopParam } from '../platform/http/body';
import { noteEnd } from '../platform/database/what-is-stored';
import { confirmRepeat, isRepeat } from '../platform/http/idempotency';
import { Refusal, notFound, problem } from '../platform/http/problem';
import { KeyedMutex, QueueFull } from '../platform/keyed-mutex';

/** More than these do not wait for one job. */
const MAX_WAITING = 50;
const RETRY_S = 1;
const jobMutex = new KeyedMutex(MAX_WAITING);

/** The job of the address. @throws Refusal 404 where it is not there, or not for who asks. */
export async function jobOf(sql: Sql, request: Request, lock = false): Promise<JobRow> {
  const id = jobParam(request);
  const job = await findJob(sql, shopParam(request), id, { lock, scope: scopeOfRequest(request) });
  if (!job) throw notFound('job', id);
  return job;
}

type Detail = Readonly<Record<string, unknown>>;

/** Something done with one job. */
export interface JobWork<Sent, Stored> {
  /**
   * Sends its statements at once, behind the lock and in the same packet: the job is known to them by its id alone. They
   * are undone where the job turns out not to be there, or the work is refused.
   */
  readonly send: (sql: Sql, job: JobId) => Promise<Sent>;
  readonly work: (sql: Sql, job: JobRow, sent: Sent) => Promise<Outcome<Stored>>;
  /** What is no evidence is done with a closed job too; evidence is refused before somebody opens it again. */
  readonly isForClosed?: boolean;
}

/** What was done with a job that is locked. */
export interface Outcome<Stored> {
  /** What else the audit log should hold. */
  readonly detail?: Detail | undefined;
  /** What is still to be stored; it sends its statements at once, and they go together with the end. */
  readonly store: (sql: Sql) => Promise<Stored>;
}

/** Thrown where a write was done before: what it did this time is undone. */
const REPEATED = new Error('this write was done before');

/**
 * Locks the job and does the work in one transaction, so that of two at once both count, and notes it in the audit
 * log.
 *
 * @param what Its name there; null for what is no evidence.
 * @returns what was stored; null where the write had been done before.
 */
export function onLockedJob<Sent, Stored>(
  pool: Pool,
  request: Request,
  what: AuditAction | null,
  { send, work, isForClosed = false }: JobWork<Sent, Stored>,
): Promise<Stored | null> {
  const id = jobParam(request);
  const once = (): Promise<Stored> =>
    jobMutex.runExclusive(`${shopParam(request)} ${id}`, () =>
      inParts(pool, {
        async first(sql) {
          const [job, known, sent] = await Promise.allSettled([
            jobOf(sql, request, true),
            isRepeat(sql, request),
            send(sql, id),
          ]);
          // in this order: without a job the others fail as well
          if (job.status === 'rejected') throw job.reason;
          if (known.status === 'rejected') throw known.reason;
          if (known.value) throw REPEATED;
          if (job.value.status === 'closed' && !isForClosed) throw closed(job.value);
          if (sent.status === 'rejected') throw sent.reason;
          return { job: job.value, sent: sent.value };
        },
        work: (sql, { job, sent }) => work(sql, job, sent),
        async last(sql, { detail, store }) {
          const stored = store(sql);
          const noted = what
            ? addAuditEntry(sql, { what, ...actor(request), about: id, ...(detail && { detail }) })
            : null;
          const [result] = await Promise.all([stored, noted]);
          return result;
        },
      }),
    );
  return judgingOutside(once).catch(async (error: unknown) => {
    if (error === REPEATED) {
      // the transaction it was found in is undone; the write itself is there
      await noteEnd(
        () => confirmRepeat(pool),
        () => false,
      );
      return null;
    }
    if (error instanceof QueueFull) throw busy(error.waiting);
    throw error;
  });
}

const busy = (waiting: number): Refusal =>
  new Refusal(
    problem(503, 'busy', `${waiting} others wait to change this job. Nothing was stored; try again in a moment.`),
    RETRY_S,
  );

/** Refuses a change of what a job was closed with. */
export const closed = ({ id }: JobRow): Refusal =>
  new Refusal(
    problem(409, 'closed', `The job ${id} is closed: open it again before you change it. Nothing was stored.`, [
      { field: 'job', found: 'closed', allowed: 'an open job; those who may sign it off may open it again' },
    ]),
  );

/** The same for work that has stored all there is, with a job that may be closed. @param work Gives what else the record should hold. */
export async function withClosedJob(
  pool: Pool,
  request: Request,
  what: AuditAction | null,
  work: (sql: Sql, job: JobRow) => Promise<Detail | void>,
): Promise<void> {
  await onLockedJob(pool, request, what, {
    isForClosed: true,
    send: () => Promise.resolve(),
    async work(sql, job) {
      const detail = await work(sql, job);
      return { detail: detail ?? undefined, store: () => Promise.resolve() };
    },
  });
}
