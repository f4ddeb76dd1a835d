import type { RoundCheck } from '@tetrad/contracts';
import { isClearlySound } from '@tetrad/core';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { addObservation, addReadings } from '../evidence/evidence.sql';
import { refuseImpossible } from '../evidence/refusals';
import { ownJob } from '../jobs/job-view';
import { addJob, changeJob, findJob } from '../job-store/jobs.sql';
import { judgeJob, viewJob } from '../judgements/judge-job';
import { scopeOfRequest } from '../people/access';
import { actor, whoOf } from '../people/who';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { jobParam, shopParam, uuidParam } from '../platform/http/body';
import { runIdempotent } from '../platform/http/idempotency';
import { Refusal, misfit, notFound, problem } from '../platform/http/problem';
import { findVehicle, isHiddenVehicle } from '../vehicles/vehicles.sql';
import { addCheck, addUse } from './checks.sql';

/** @throws Refusal that names each reading and observation whose id stands in the check before. */
function refuseTwice({ readings, observations }: RoundCheck): void {
  const twice = (field: string, ids: readonly string[]) =>
    ids.flatMap((id, at) =>
      ids.indexOf(id) < at
        ? [{ field: `${field}[${at}].id`, found: `${id}, as in ${field}[${ids.indexOf(id)}]`, allowed: 'each id once' }]
        : [],
    );
  const errors = [
    ...twice(
      'readings',
      readings.map(({ id }) => id),
    ),
    ...twice(
      'observations',
      observations.map(({ id }) => id),
    ),
  ];
  if (errors.length > 0) throw misfit(errors);
}

/** Checks of a round: what was read of one vehicle is stored at once; one that is clearly sound is closed. */
export function roundCheckRoutes(pool: Pool): Handlers<'checkVehicle' | 'noteUse'> {
  return {
    checkVehicle: async (request, response, { body }) => {
      const [shop, id] = [shopParam(request), jobParam(request)];
      const { name: by } = whoOf(request);
      for (const [at, reading] of body.readings.entries())
        refuseImpossible(reading, body.system.nominalVolts, `readings[${at}].value`);
      refuseTwice(body);
      const at = new Date(Date.now() - (body.secondsAgo ?? 0) * 1000);
      await runIdempotent(pool, request, async (sql) => {
        if (await isHiddenVehicle(sql, shop, body.vehicle.id, scopeOfRequest(request)))
          throw misfit([
            { field: 'vehicle.id', found: body.vehicle.id, allowed: 'a vehicle that you may see, or a new one' },
          ]);
        const { vehicle, system, conditions, readings, observations } = body;
        const opened = { id, vehicle, system, ...(conditions && { conditions }), assignee: by };
        if (!(await addJob(sql, shop, opened, { openedAt: at })))
          throw new Refusal(problem(409, 'id-taken', `There is a job ${id} already.`));
        const taken = readings.map((reading) => ({ ...reading, at: at.toISOString(), by }));
        await addReadings(sql, shop, id, taken);
        for (const one of observations) await addObservation(sql, shop, id, one.id, one.observation);
        await judgeJob(sql, shop, (await findJob(sql, shop, id))!);
        const { case: subject, judgement } = (await viewJob(sql, shop, id))!;
        const isSound = judgement !== null && isClearlySound(subject, judgement);
        await addCheck(sql, shop, id, body, { isSound, by });
        await addUse(sql, shop, id, vehicle.id, body, { by, at });
        if (isSound) await changeJob(sql, shop, id, { version: 1, status: 'closed' });
        await addAuditEntry(sql, { what: 'round-checked', ...actor(request), about: id, detail: { isSound } });
      });
      response.json(await ownJob(pool, request, id));
    },

    noteUse: async (request, response, { body }) => {
      const [shop, vehicle, use] = [shopParam(request), uuidParam(request, 'vehicle'), uuidParam(request, 'use')];
      const { name: by } = whoOf(request);
      if (body.km === undefined && body.hours === undefined)
        throw misfit([{ field: 'km', found: 'nothing', allowed: 'kilometers or hours' }]);
      if (!(await findVehicle(pool, shop, vehicle, scopeOfRequest(request)))) throw notFound('vehicle', vehicle);
      await runIdempotent(pool, request, async (sql) => {
        await addUse(sql, shop, use, vehicle, body, { by, at: new Date() });
        await addAuditEntry(sql, { what: 'use-noted', ...actor(request), about: vehicle, detail: { ...body } });
      });
      response.end();
    },
  };
}
