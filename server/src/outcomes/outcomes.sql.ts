/** What became of jobs after they were signed off. */
import type { JobId, NewOutcome, OutcomeJobView, ShopId } from '@tetrad/contracts';
import { COMEBACK_DAYS, NO_COMPLAINT } from '@tetrad/core/outcomes';
import type { SignedJob } from '@tetrad/core/outcomes';
import { isoTime } from '../platform/database/iso-time';
import { seesJob } from '../people/access';
import type { Scope } from '../people/access';
import type { Sql } from '../platform/database/pool';

const FIELDS = `'id', o.outcome_id, 'complaint', o.complaint, 'cause', o.cause, 'note', o.note, 'by', o.recorded_by,
  'at', ${isoTime('o.recorded_at')}`;
const newestOf = (shop: string, job: string): string =>
  `SELECT jsonb_build_object(${FIELDS}) FROM outcome o WHERE o.shop_id = ${shop} AND o.job_id = ${job}
    ORDER BY o.seq DESC LIMIT 1`;

/** The newest outcome of the job in a row `j`. */
export const OUTCOME_OF_ROW = newestOf('j.shop_id', 'j.job_id');
/** The newest outcome of job $2. */
export const OUTCOME = newestOf('$1', '$2');

export async function addOutcome(
  sql: Sql,
  shop: ShopId,
  job: JobId,
  { id, complaint, cause, note }: NewOutcome,
  by: string,
): Promise<void> {
  await sql.query(
    `INSERT INTO outcome (shop_id, job_id, outcome_id, complaint, cause, note, recorded_by)
     VALUES ($1, $2, $3, $4, $5, $6, $7) ON CONFLICT DO NOTHING`,
    [shop, job, id, complaint, cause ?? null, note?.trim() || null, by],
  );
}

/** Which jobs are wanted. */
export interface SignedJobsWanted {
  /** First day and the day after the last, ISO 8601. */
  readonly from: string;
  readonly until: string;
  readonly scope: Scope;
  readonly limit: number;
  /** Where the batch before ended; null for the first. */
  readonly before: { readonly at: string; readonly job: string } | null;
}

export interface SignedJobsBatch {
  /** The newest first. */
  readonly jobs: readonly SignedJobRow[];
  /** Where the next batch begins; null where this was the last. */
  readonly next: SignedJobsWanted['before'];
}

/** A job as it is counted, and as it is listed. */
export type SignedJobRow = SignedJob & Pick<OutcomeJobView, 'vehicle' | 'signedAt' | 'signedBy' | 'note'>;

/** When the vehicle of job `j` came back within 90 days of sign-off `s` with a complaint of that job. */
const BACK_AT = `(SELECT ${isoTime('min(l.opened_at)')} FROM job l
  WHERE l.shop_id = $1 AND l.vehicle_id = j.vehicle_id AND l.opened_at > s.signed_at
    AND l.opened_at <= s.signed_at + make_interval(days => $8)
    AND (l.complaint->'symptoms') ?| ARRAY(
          SELECT jsonb_array_elements_text(j.complaint->'symptoms') EXCEPT SELECT unnest($9::text[])))`;
const SIGNED_JOB = `jsonb_build_object('job', j.job_id, 'system', j.system,
  'symptoms', coalesce(j.complaint->'symptoms', '[]'), 'criteria', j.criteria_id,
  'signed', jsonb_build_object('action', s.action, 'part', s.part, 'partsFitted', s.parts_fitted, 'solved', s.solved),
  'judged', CASE WHEN s.judged IS NULL THEN NULL ELSE jsonb_build_object('action', s.judged->>'action',
     'part', s.judged->>'part', 'fault', s.judged->>'fault') END,
  'probability', s.probability, 'kept', s.kept, 'recorded', (${OUTCOME_OF_ROW}), 'backAt', ${BACK_AT},
  'vehicle', jsonb_build_object('id', v.vehicle_id, 'name', v.name, 'plate', v.plate),
  'signedAt', ${isoTime('s.signed_at')}, 'signedBy', s.signed_by)`;

/** A batch of the jobs that were signed off in a period and are closed, the newest first. */
export async function signedJobs(
  sql: Sql,
  shop: ShopId,
  { from, until, scope, limit, before }: SignedJobsWanted,
): Promise<SignedJobsBatch> {
  const { rows } = await sql.query<{ signed: SignedJobRow & { recorded: { note: string | null } | null }; at: string }>(
    `SELECT ${SIGNED_JOB} AS signed, s.signed_at::text AS at
       FROM sign_off s
       JOIN job j ON j.shop_id = $1 AND j.job_id = s.job_id AND j.status = 'closed'
       JOIN vehicle v ON v.shop_id = $1 AND v.vehicle_id = j.vehicle_id
      WHERE s.shop_id = $1 AND s.signed_at >= $2 AND s.signed_at < $3 AND s.imported_at IS NULL
        AND NOT EXISTS (SELECT 1 FROM sign_off n
                         WHERE n.shop_id = $1 AND n.job_id = s.job_id AND n.seq > s.seq AND n.imported_at IS NULL)
        AND ${seesJob('j', '$4')}
        AND ($5::timestamptz IS NULL OR (s.signed_at, s.job_id) < ($5, $6))
      ORDER BY s.signed_at DESC, s.job_id DESC LIMIT $7`,
    [shop, from, until, scope, before?.at ?? null, before?.job ?? null, limit, COMEBACK_DAYS, NO_COMPLAINT],
  );
  const last = rows.length === limit ? rows.at(-1) : undefined;
  return {
    jobs: rows.map(({ signed }) => ({ ...signed, note: signed.recorded?.note ?? null })),
    next: last ? { at: last.at, job: last.signed.job } : null,
  };
}
