import { CASE_FORMAT } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import type { JobView } from '@tetrad/contracts';
import { HEAVY_FROM, heavyWork } from '../heavy/heavy-work';
import { judge } from '../heavy/tasks';
import { findJob, touchJob } from '../sql/jobs';
import type { JobRow } from '../sql/jobs';
import { addJudgement } from '../sql/judgements';
import type { Sql } from '../sql/pool';
import { evidenceOf, wholeOf } from '../sql/whole-job';
import type { Evidence } from '../sql/whole-job';

/** The job's case in the open format, as all its rows stand now. */
const caseOf = (job: JobRow, { readings, observations }: Evidence): Case => ({
  ...job.extra,
  format: CASE_FORMAT,
  title: typeof job.extra['title'] === 'string' ? job.extra['title'] : job.vehicle.name,
  system: job.system,
  complaint: job.complaint,
  conditions: job.conditions,
  observations,
  readings,
});

/** Judges a job anew and stores the judgement; call it inside the transaction that changed the job. */
export async function judgeJob(sql: Sql, shop: string, job: JobRow): Promise<void> {
  const subject = caseOf(job, await evidenceOf(sql, shop, job.id));
  const task = { subject, criteria: job.criteria };
  const { judgement, profile } = subject.readings.length < HEAVY_FROM ? judge(task) : await heavyWork().judge(task);
  await addJudgement(sql, shop, job.id, judgement, profile);
  await touchJob(sql, shop, job.id);
}

/** The whole job for a client; null where this shop has none of that id. */
export async function viewJob(sql: Sql, shop: string, id: string): Promise<JobView | null> {
  const job = await findJob(sql, shop, id);
  return job && viewOf(sql, shop, job);
}

/** The whole job of a row. */
export async function viewOf(sql: Sql, shop: string, job: JobRow): Promise<JobView> {
  const { id, version, revision, pass, vehicle, status, assignee, criteria, openedAt } = job;
  const { judgement, timers, acknowledgements, signOff, ...evidence } = await wholeOf(sql, shop, id);
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
    case: caseOf(job, evidence),
    judgement,
    timers,
    acknowledgements,
    signOff,
  };
}
