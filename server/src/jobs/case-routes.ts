import type { ShopId, JobId } from '@tetrad/contracts';
import { createHash, randomUUID } from 'node:crypto';
import { checkCase, misfitWords } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import { JobRecord, checkBody, recordOf, jobId } from '@tetrad/contracts';
import type { NewJob } from '@tetrad/contracts';
import { criteriaOf } from '../criteria/criteria-of';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { judgeJob, viewOf } from '../judgements/judge-job';
import { actor, permit, whoOf } from '../people/who';
import { addJob, changeJob, findJob } from '../job-store/jobs.sql';
import type { Pool, Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { addSignOff } from '../signing/sign-offs.sql';
import { addObservation, addReadings } from '../evidence/evidence.sql';
import { shopParam } from '../platform/http/body';
import { isRepeat, idempotencyKey } from '../platform/http/idempotency';
import { misfit } from '../platform/http/problem';
import { storing } from './storing';
import { ownJob } from './job-view';
import { MAX_READINGS, tooManyReadings } from './evidence-routes';
import { jobOf } from './locked-job';

/** Cases in the open format: out of a job, and in as a new one. */
export function caseRoutes(pool: Pool): Handlers<'getCase' | 'importCase'> {
  return {
    getCase: async (request, response) => {
      const shop = shopParam(request);
      const job = await jobOf(pool, request);
      await addAuditEntry(pool, { what: 'case-exported', ...actor(request), about: job.id });
      response.attachment(
        `${job.vehicle.plate ?? job.vehicle.name}-${job.openedAt.toISOString().slice(0, 10)}.case.json`,
      );
      const view = await viewOf(pool, shop, job);
      const document = { ...view.case, job: recordOf(view) };
      response.json(document);
    },

    importCase: async (request, response) => {
      const shop = shopParam(request);
      const who = whoOf(request);
      const checked = checkCase(request.body);
      if (!checked.ok)
        throw misfit(checked.misfits.map(misfitWords).map(({ path, ...rest }) => ({ field: path, ...rest })));
      if (checked.value.readings.length > MAX_READINGS) throw tooManyReadings(checked.value.readings.length);
      const sent = idempotencyKey(request);
      // the job's id follows from the write's, so that a repeat finds it
      const id = jobId(sent === null ? randomUUID() : uuidFrom(`${shop} ${sent}`));
      const { job: told, ...subject } = checked.value as Case & { job?: unknown };
      const record = told === undefined ? null : recordIn(told);
      // a closed job is one that somebody has signed off
      if (record?.status === 'closed' || record?.signOff) permit(request, 'sign-off');
      if (record?.criteria) await criteriaOf(pool, shop, record.criteria, 'job.criteria');
      await storing(pool, async (sql) => {
        if (await isRepeat(sql, request)) return;
        await storeCase(sql, shop, id, subject, { ...(record && optionsOf(record, subject)), importedBy: who.name });
        if (record) await restoreRecord(sql, shop, id, record, who.name);
        await addAuditEntry(sql, { what: 'case-imported', ...actor(request), about: id });
      });
      response.json(await ownJob(pool, request, id));
    },
  };
}

/** @throws Refusal naming every field of the record that does not fit. */
function recordIn(told: unknown): JobRecord {
  const checked = checkBody(JobRecord, told);
  if (checked.ok) return checked.body;
  throw misfit(checked.errors.map(({ field, ...rest }) => ({ field: `job.${field}`, ...rest })));
}

const optionsOf = ({ vehicle, openedAt, assignee, criteria }: JobRecord, { title }: Case): StoreOptions => ({
  vehicle: { id: randomUUID(), ...vehicle, name: vehicle.name ?? title?.slice(0, 80) ?? 'Imported case' },
  openedAt: new Date(Math.min(Date.parse(openedAt), Date.now())),
  ...(assignee && { assignee }),
  ...(criteria && { criteria }),
});

/** Status, pass and sign-off of a job that was exported; the sign-off as one that was brought in. */
async function restoreRecord(sql: Sql, shop: ShopId, id: JobId, record: JobRecord, importedBy: string): Promise<void> {
  const { signOff, status, pass } = record;
  if (signOff) {
    const { by, at, judged = null, ...body } = signOff;
    const signer = { name: by, id: null, kind: 'import', role: null } as const;
    await addSignOff(sql, shop, id, { ...body, id: randomUUID() }, signer, judged, { at: new Date(at), importedBy });
  }
  await changeJob(sql, shop, id, { version: 1, status, pass });
}

/** A UUID made from a text (RFC 9562, version 8). */
function uuidFrom(text: string): string {
  const hex = createHash('sha256').update(text).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

export interface StoreOptions {
  readonly vehicle?: NewJob['vehicle'];
  readonly openedAt?: Date;
  readonly status?: 'open' | 'closed';
  readonly assignee?: string;
  readonly criteria?: string;
  /** Who brings it in from a file. */
  readonly importedBy?: string;
}

/** Stores a case as a new job of a new vehicle, judged at once. */
export async function storeCase(
  sql: Sql,
  shop: ShopId,
  id: JobId,
  subject: Case,
  options: StoreOptions = {},
): Promise<void> {
  const { format: _format, system, complaint, conditions, observations = [], readings, ...extra } = subject;
  const vehicle = options.vehicle ?? {
    id: randomUUID(),
    name: (subject.title ?? 'Imported case').slice(0, 80) || 'Imported case',
  };
  const job: NewJob = {
    id,
    vehicle,
    system,
    ...(complaint && { complaint }),
    ...(conditions && { conditions }),
    ...(options.assignee && { assignee: options.assignee }),
  };
  await addJob(sql, shop, job, {
    extra,
    ...(options.openedAt && { openedAt: options.openedAt }),
    ...(options.status && { status: options.status }),
    ...(options.criteria && { criteria: options.criteria }),
    ...(options.importedBy && { importedBy: options.importedBy }),
  });
  await addReadings(sql, shop, id, readings);
  for (const observation of observations) await addObservation(sql, shop, id, randomUUID(), observation);
  await judgeJob(sql, shop, (await findJob(sql, shop, id))!);
}
