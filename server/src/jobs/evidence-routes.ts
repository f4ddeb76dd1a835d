import { isDeepStrictEqual } from 'node:util';
import type { JobId, ShopId } from '@tetrad/contracts';
import type { Request, Response } from 'express';
import { readingId } from '@tetrad/contracts';
import type { Reading } from '@tetrad/core';
import type { AuditAction } from '../audit-log/audit-log.sql';
import { judgedOf, knownOf, storeJudged } from '../judgements/judge-job';
import { whoOf } from '../people/who';
import type { JobRow } from '../job-store/jobs.sql';
import type { Pool, Sql } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { addObservation, addReading, takeBackObservation, voidReading } from '../evidence/evidence.sql';
import type { WholeJob } from '../job-store/whole-job.sql';
import { shopParam, uuidParam } from '../platform/http/body';
import { Refusal, misfit, notFound, problem } from '../platform/http/problem';
import { wholeJob } from './job-view';
import { refuseImpossible } from '../evidence/refusals';
import { onLockedJob } from './locked-job';

/** Evidence of one job: readings and observations are added, readings are voided, nothing is changed. */
export function evidenceRoutes(
  pool: Pool,
): Handlers<'addReading' | 'voidReading' | 'addObservation' | 'takeBackObservation'> {
  /** Does one thing to the evidence of a job, judges it anew in the same transaction, and answers with the job. */
  async function change(request: Request, response: Response, status: number, act: Change): Promise<void> {
    const shop = shopParam(request);
    const view = await onLockedJob(pool, request, act.what, {
      // both are sent together: what is known is known with the change
      send: (sql, id) => Promise.all([act.send(sql, shop, id), knownOf(sql, shop, id)]),
      async work(sql, job, [result, known]) {
        act.check?.(job, known.whole, result);
        const judged = await judgedOf(sql, shop, job, known);
        return { detail: act.detail, store: (last) => storeJudged(last, shop, job, known, judged) };
      },
    });
    response.status(status).json(view ?? (await wholeJob(pool, request)));
  }

  return {
    addReading: async (request, response, { body }) => {
      const { reading, secondsAgo = 0 } = body;
      const at = new Date(Date.now() - secondsAgo * 1000).toISOString();
      const by = whoOf(request).name;
      await change(request, response, 201, {
        what: 'reading-added',
        detail: { reading: reading.id, test: reading.test, value: reading.value },
        send: (sql, shop, job) => addReading(sql, shop, job, { ...reading, at, by }),
        check({ system }, { readings }) {
          if (readings.length > MAX_READINGS) throw tooManyReadings(readings.length);
          refuseImpossible(reading, system.nominalVolts, 'reading.value');
          refuseOther(reading, readings);
        },
      });
    },

    voidReading: async (request, response, { body }) => {
      const reading = readingId(String(request.params['reading']));
      const { reason } = body;
      const by = whoOf(request).name;
      await change(request, response, 200, {
        what: 'reading-voided',
        detail: { reading, reason },
        send: (sql, shop, job) => voidReading(sql, shop, job, reading, { reason, by }),
        check(_job, { readings }) {
          if (!readings.some(({ id }) => id === reading)) throw notFound('reading', reading);
        },
      });
    },

    addObservation: async (request, response, { body }) => {
      const { id, observation } = body;
      await change(request, response, 201, {
        what: 'observed',
        detail: { observation: id, about: observation.about, finding: observation.finding },
        send: (sql, shop, job) => addObservation(sql, shop, job, id, observation),
        check(_job, _whole, stored) {
          if (!isDeepStrictEqual(stored, observation))
            throw new Refusal(
              problem(
                409,
                'id-taken',
                `Observation ${id} is stored already as something else; take it back and add a new one.`,
              ),
            );
        },
      });
    },

    takeBackObservation: async (request, response) => {
      const observation = uuidParam(request, 'observation');
      await change(request, response, 200, {
        what: 'observation-taken-back',
        detail: { observation },
        send: (sql, shop, job) => takeBackObservation(sql, shop, job, observation),
        check(_job, _whole, isKnown) {
          if (!isKnown) throw notFound('observation', observation);
        },
      });
    },
  };
}

/** Readings that one job may hold; a long visit has a hundred. Every change judges all of them anew. */
export const MAX_READINGS = 2000;

export const tooManyReadings = (count: number): Refusal =>
  misfit([{ field: 'readings', found: `${count} readings`, allowed: `at most ${MAX_READINGS} readings in one job` }]);

/** One change of the evidence. */
interface Change {
  readonly what: AuditAction;
  /** For the audit log. */
  readonly detail: Readonly<Record<string, unknown>>;
  /** One statement. */
  readonly send: (sql: Sql, shop: ShopId, job: JobId) => Promise<unknown>;
  /** @throws Refusal where what is there now is not what was meant; all of it is undone. */
  readonly check?: (job: JobRow, whole: WholeJob, result: unknown) => void;
}

/** A reading as it was sent, without what the server adds: when, by whom, and that it was voided since. */
const asSent = ({ at: _at, by: _by, void: _void, ...sent }: Reading): Omit<Reading, 'at' | 'by' | 'void'> => sent;

/** @throws Refusal 409 where another reading is stored under the same id. */
function refuseOther(reading: Reading, readings: readonly Reading[]): void {
  const { id } = reading;
  const stored = readings.find((one) => one.id === id);
  if (stored && isDeepStrictEqual(asSent(stored), asSent(reading))) return;
  throw new Refusal(
    problem(
      409,
      'id-taken',
      `Reading ${id} is stored already as something else; a correction voids it and adds a new one.`,
    ),
  );
}
