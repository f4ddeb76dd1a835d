import type { Request } from 'express';
import { findJob } from '../../job-store/jobs.sql';
import { scopeOfRequest } from '../../people/access';
import type { Pool } from '../../platform/database/pool';
import { shopParam, uuidParam } from '../../platform/http/body';
import { notFound } from '../../platform/http/problem';
import { findCapture } from '../../captures/captures.sql';
import type { CaptureRow } from '../../captures/captures.sql';

/** The capture of the address. @throws Refusal 404 where it is not there, or its job is hidden from who asks. */
export async function captureOf(pool: Pool, request: Request): Promise<CaptureRow> {
  const id = uuidParam(request, 'capture');
  const shop = shopParam(request);
  const capture = await findCapture(pool, shop, id);
  const job = capture && (await findJob(pool, shop, capture.job, { scope: scopeOfRequest(request) }));
  if (!job) throw notFound('capture', id);
  return capture;
}
