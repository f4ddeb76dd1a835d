import { Router } from 'express';
import { NewObservation, NewReading, VoidReading } from '@tetrad/contracts';
import { ENGLISH, outsidePhysics } from '@tetrad/core';
import type { NominalVolts, Reading } from '@tetrad/core';
import { judgeJob } from '../../judging/judge-job';
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
  const onJob = (shop: string, id: string, work: (sql: Sql, job: JobRow) => Promise<void>): Promise<void> =>
    withJob(pool, shop, id, async (sql, job) => {
      await work(sql, job);
      await judgeJob(sql, shop, job);
    });

  router.post('/readings', async (request, response) => {
    const shop = shopParam(request);
    const id = uuidParam(request, 'job');
    const { reading, secondsAgo = 0 } = bodyAs(NewReading, request);
    const taken = new Date(Date.now() - secondsAgo * 1000).toISOString();
    await onJob(shop, id, async (sql, job) => {
      refuseImpossible(reading, job.system.nominalVolts);
      const stored = await addReading(sql, shop, id, { ...reading, at: taken });
      if (stored && (stored.test !== reading.test || JSON.stringify(stored.value) !== JSON.stringify(reading.value)))
        throw new Refusal(
          problem(
            409,
            'id-taken',
            `Reading ${reading.id} is stored already with another value; a correction voids it and adds a new one.`,
          ),
        );
    });
    response.status(201).json(await wholeJob(pool, shop, id));
  });

  router.post('/readings/:reading/void', async (request, response) => {
    const shop = shopParam(request);
    const id = uuidParam(request, 'job');
    const reading = String(request.params['reading']);
    const { reason, by } = bodyAs(VoidReading, request);
    await onJob(shop, id, async (sql) => {
      if (!(await voidReading(sql, shop, id, reading, reason, by ?? null))) throw notFound('reading', reading);
    });
    response.json(await wholeJob(pool, shop, id));
  });

  router.post('/observations', async (request, response) => {
    const shop = shopParam(request);
    const id = uuidParam(request, 'job');
    const body = bodyAs(NewObservation, request);
    await onJob(shop, id, (sql) => addObservation(sql, shop, id, body.id, body.observation));
    response.status(201).json(await wholeJob(pool, shop, id));
  });

  router.post('/observations/:observation/take-back', async (request, response) => {
    const shop = shopParam(request);
    const id = uuidParam(request, 'job');
    const observation = uuidParam(request, 'observation');
    await onJob(shop, id, async (sql) => {
      if (!(await takeBackObservation(sql, shop, id, observation))) throw notFound('observation', observation);
    });
    response.json(await wholeJob(pool, shop, id));
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
