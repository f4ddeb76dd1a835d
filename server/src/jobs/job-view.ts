import type { Request } from 'express';
import type { JobView } from '@tetrad/contracts';
import { viewOf } from '../judgements/judge-job';
import { scopeOfRequest } from '../people/access';
import type { Pool } from '../platform/database/pool';
import { shopParam } from '../platform/http/body';
import { Refusal, problem } from '../platform/http/problem';
import { findJob } from '../job-store/jobs.sql';
import { jobOf } from './locked-job';

/** The job of the address, whole. */
export async function wholeJob(pool: Pool, request: Request): Promise<JobView> {
  return viewOf(pool, shopParam(request), await jobOf(pool, request));
}

/** A job that who asks has stored, whole: whoever it was given to, the answer tells what was done. */
export async function ownJob(pool: Pool, request: Request, id: string): Promise<JobView> {
  const shop = shopParam(request);
  return viewOf(pool, shop, (await findJob(pool, shop, id))!);
}

/** A job that was stored just now, or before under the same id, whole. @throws Refusal 409 where it is hidden from who asks. */
export async function storedJob(pool: Pool, request: Request, id: string): Promise<JobView> {
  const shop = shopParam(request);
  const job = await findJob(pool, shop, id, { scope: scopeOfRequest(request) });
  if (!job) throw new Refusal(problem(409, 'id-taken', `Another job has the id ${id}.`));
  return viewOf(pool, shop, job);
}
