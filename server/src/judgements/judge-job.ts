import type { JobId, ShopId } from '@tetrad/contracts';
import { CASE_FORMAT, schoolById } from '@tetrad/core';
import type { Case, CriteriaSet } from '@tetrad/core';
import type { JobView } from '@tetrad/contracts';
import { criteriaOf, findCriteria } from '../criteria/criteria-of';
import type { Judged } from './judge-task';
import { findJob, touchJob } from '../job-store/jobs.sql';
import type { JobRow } from '../job-store/jobs.sql';
import { judged } from './judge-outside';
import { addJudgement, newestRow } from './judgements.sql';
import type { NewestRow } from './judgements.sql';
import type { Sql } from '../platform/database/pool';
import { tellDecided } from '../webhooks/tell-decision';
import { wholeOf } from '../job-store/whole-job.sql';
import type { Evidence, WholeJob } from '../job-store/whole-job.sql';

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

/** All that is stored of a job, and how its newest judgement is stored. */
export interface KnownJob {
  readonly whole: WholeJob;
  readonly newest: NewestRow | null;
}

export async function knownOf(sql: Sql, shop: ShopId, job: JobId): Promise<KnownJob> {
  const [whole, newest] = await Promise.all([wholeOf(sql, shop, job), newestRow(sql, shop, job)]);
  return { whole, newest };
}

/** What the judge says of a job as it is known. */
export async function judgedOf(sql: Sql, shop: ShopId, job: JobRow, { whole }: KnownJob): Promise<Judged> {
  const subject = caseOf(job, whole);
  return judged({ subject, criteria: await criteriaOf(sql, shop, job.criteria) });
}

/** Stores a judgement, and notes that the job has changed. @returns the job as it is then. */
export async function storeJudged(
  sql: Sql,
  shop: ShopId,
  job: JobRow,
  { whole, newest }: KnownJob,
  { judgement, profile }: Judged,
): Promise<JobView> {
  const before = newest && { ...newest, document: whole.judgement! };
  const [revision] = await Promise.all([
    touchJob(sql, shop, job.id),
    addJudgement(sql, shop, job.id, before, { document: judgement, profile }),
    tellDecided(sql, shop, job, whole.judgement?.decision ?? null, judgement.decision),
  ]);
  return viewFrom({ ...job, revision }, { ...whole, judgement }, await ownSetOf(sql, shop, job));
}

/** Judges a job anew and stores the judgement; call it inside the transaction that changed the job. */
export async function judgeJob(sql: Sql, shop: ShopId, job: JobRow): Promise<void> {
  const known = await knownOf(sql, shop, job.id);
  await storeJudged(sql, shop, job, known, await judgedOf(sql, shop, job, known));
}

/** The whole job for a client; null where this shop has none of that id. */
export async function viewJob(sql: Sql, shop: ShopId, id: string): Promise<JobView | null> {
  const job = await findJob(sql, shop, id);
  return job && viewOf(sql, shop, job);
}

/** The whole job of a row. */
export async function viewOf(sql: Sql, shop: ShopId, job: JobRow): Promise<JobView> {
  const [whole, set] = await Promise.all([wholeOf(sql, shop, job.id), ownSetOf(sql, shop, job)]);
  return viewFrom(job, whole, set);
}

/** The shop's own set goes with the job, so that every device judges by the same. */
const ownSetOf = (sql: Sql, shop: ShopId, { criteria }: JobRow): Promise<CriteriaSet | null> =>
  schoolById(criteria) ? Promise.resolve(null) : findCriteria(sql, shop, criteria);

function viewFrom(job: JobRow, whole: WholeJob, criteriaSet: CriteriaSet | null): JobView {
  const { id, version, revision, pass, vehicle, status, assignee, criteria, openedAt, imported } = job;
  const { judgement, timers, acknowledgements, signOff, supersededSignOff, importedSignOff, outcome, ...evidence } =
    whole;
  return {
    id,
    version,
    revision,
    pass,
    vehicle,
    status,
    assignee,
    criteria,
    criteriaSet,
    openedAt: openedAt.toISOString(),
    case: caseOf(job, evidence),
    judgement,
    timers,
    acknowledgements,
    signOff,
    supersededSignOff,
    outcome,
    imported,
    importedSignOff,
  };
}
