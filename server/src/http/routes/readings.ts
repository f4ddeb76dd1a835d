import { Router } from 'express';
import type { Request } from 'express';
import { NewObservation, NewReading, VoidReading } from '@tetrad/contracts';
import { ENGLISH, outsidePhysics } from '@tetrad/core';
import type { NominalVolts, Reading } from '@tetrad/core';
import type { ActName } from '../../acts/acts.sql';
import { judgeJob } from '../../judging/judge-job';
import { whoOf } from '../../people/who';
import type { JobRow } from '../../sql/jobs';
import type { Pool, Sql } from '../../sql/pool';
import { addObservation, addReading, takeBackObservation, voidReading } from '../../sql/readings';
import { bodyAs, shopParam, uuidParam } from '../body';
import { Refusal, misfit, notFound, problem } from '../problem';
import { wholeJob } from './jobs';
import { withJob } from './with-job';

/** Evidence of one job: readings and observations are added, readings are voided, nothing is changed. */
export function readingRoutes(pool: Pool): Router {
  const router = Router({ mergeParams: true });

  /** Judged anew in the same transaction. */
  const onJob = (
    request: Request,
    what: ActName,
    work: (sql: Sql, job: JobRow) => Promise<Readonly<Record<string, unknown>> | void>,
  ): Promise<void> =>
    withJob(pool, request, what, async (sql, job) => {
      const detail = await work(sql, job);
      await judgeJob(sql, shopParam(request), job);
      return detail;
    });

  router.post('/readings', async (request, response) => {
    const shop = shopParam(request);
    const id = uuidParam(request, 'job');
    const { reading, secondsAgo = 0 } = bodyAs(NewReading, request);
    const at = new Date(Date.now() - secondsAgo * 1000).toISOString();
    await onJob(request, 'reading-added', async (sql, job) => {
      refuseImpossible(reading, job.system.nominalVolts);
      const stored = await addReading(sql, shop, id, { ...reading, at, by: whoOf(request).name });
      if (stored && (stored.test !== reading.test || JSON.stringify(stored.value) !== JSON.stringify(reading.value)))
        throw new Refusal(
          problem(
            409,
            'id-taken',
            `Reading ${reading.id} is stored already with another value; a correction voids it and adds a new one.`,
          ),
        );
      return { reading: reading.id, test: reading.test, value: reading.value };
    });
    response.status(201).json(await wholeJob(pool, request));
  });

  router.post('/readings/:reading/void', async (request, response) => {
    const shop = shopParam(request);
    const id = uuidParam(request, 'job');
    const reading = String(request.params['reading']);
    const { reason } = bodyAs(VoidReading, request);
    await onJob(request, 'reading-voided', async (sql) => {
      if (!(await voidReading(sql, shop, id, reading, reason, whoOf(request).name))) throw notFound('reading', reading);
      return { reading, reason };
    });
    response.json(await wholeJob(pool, request));
  });

  router.post('/observations', async (request, response) => {
    const body = bodyAs(NewObservation, request);
    await onJob(request, 'observed', async (sql, { id }) => {
      await addObservation(sql, shopParam(request), id, body.id, body.observation);
      return { observation: body.id, about: body.observation.about, finding: body.observation.finding };
    });
    response.status(201).json(await wholeJob(pool, request));
  });

  router.post('/observations/:observation/take-back', async (request, response) => {
    const observation = uuidParam(request, 'observation');
    await onJob(request, 'observation-taken-back', async (sql, { id }) => {
      if (!(await takeBackObservation(sql, shopParam(request), id, observation)))
        throw notFound('observation', observation);
      return { observation };
    });
    response.json(await wholeJob(pool, request));
  });

  return router;
}

function refuseImpossible(reading: Reading, nominalVolts: NominalVolts): void {
  const wrong = outsidePhysics(reading, nominalVolts);
  if (!wrong) return;
  const meant = wrong.slip ? `; was ${ENGLISH.quantity(wrong.slip.value, wrong.unit)} meant?` : '';
  throw misfit([
    {
      field: 'reading.value',
      found: String(wrong.value),
      allowed: `${wrong.min} to ${wrong.max} ${wrong.unit} on a ${nominalVolts} V system${meant}`,
    },
  ]);
}
