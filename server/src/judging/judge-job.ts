import { CASE_FORMAT } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import type { JobView } from '@tetrad/contracts';
import { HEAVY_FROM, heavyWork } from '../heavy/heavy-work';
import { judge } from '../heavy/tasks';
import { findJob, touchJob } from '../sql/jobs';
import type { JobRow } from '../sql/jobs';
import { addJudgement, newestJudgement } from '../sql/judgements';
import type { Pool, Sql } from '../sql/pool';
import { listAcknowledgements } from '../sql/acknowledgements';
import { listObservations, listReadings } from '../sql/readings';
import { newestSignOff } from '../sql/sign-offs';
import { listTimers } from '../sql/timers';

/** The job's case in the open format, as all its rows stand now. */
export async function caseOf(sql: Sql, shop: string, job: JobRow): Promise<Case> {
  const readings = await listReadings(sql, shop, job.id);
  const observations = await listObservations(sql, shop, job.id);
  return {
    ...job.extra,
    format: CASE_FORMAT,
    title: typeof job.extra['title'] === 'string' ? job.extra['title'] : job.vehicle.name,
    system: job.system,
    complaint: job.complaint,
    conditions: job.conditions,
    observations,
    readings,
  };
}

/** Judges a job anew and stores the judgement; call it inside the transaction that changed the job. */
export async function judgeJob(sql: Sql, shop: string, job: JobRow): Promise<void> {
  const subject = await caseOf(sql, shop, job);
  const task = { subject, criteria: job.criteria };
  const { judgement, profile } = subject.readings.length < HEAVY_FROM ? judge(task) : await heavyWork().judge(task);
  await addJudgement(sql, shop, job.id, judgement, profile);
  await touchJob(sql, shop, job.id);
}

/** The whole job for a client; null where this shop has none of that id. */
export async function viewJob(pool: Pool, shop: string, id: string): Promise<JobView | null> {
  const job = await findJob(pool, shop, id);
  return job && viewOf(pool, shop, job);
}

/** The whole job of a row. Its parts are read side by side. */
export async function viewOf(pool: Pool, shop: string, job: JobRow): Promise<JobView> {
  const { id, version, revision, pass, vehicle, status, assignee, criteria, openedAt } = job;
  const [subject, judgement, timers, acknowledgements, signOff] = await Promise.all([
    caseOf(pool, shop, job),
    newestJudgement(pool, shop, id),
    listTimers(pool, shop, id),
    listAcknowledgements(pool, shop, id),
    newestSignOff(pool, shop, id),
  ]);
  return {
    id,
    version,
    revision,
    pass,
    vehicle,
    status,
    assignee,
    criteria,
    openedAt: openedAt.toISOString(),
    case: subject,
    judgement,
    timers,
    acknowledgements,
    signOff,
  };
}
