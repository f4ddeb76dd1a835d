/** All visits of a vehicle with their evidence, for what is followed over time. */
import type { HistoryVisit, ShopId, VisitView } from '@tetrad/contracts';
import { CASE_FORMAT } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import { measuresOfVisit } from '@tetrad/core/trends';
import type { VisitMeasures } from '@tetrad/core/trends';
import { observationsOf, readingsOf } from '../evidence/evidence.sql';
import { seesJob } from '../people/access';
import type { Scope } from '../people/access';
import type { Sql } from '../platform/database/pool';
import { OUTCOME_OF_ROW } from '../outcomes/outcomes.sql';
import { SIGN_OFF_OF_ROW } from '../signing/sign-offs.sql';

export interface HistoryRow extends Omit<VisitView, 'openedAt'> {
  readonly openedAt: Date;
  readonly conditions: Case['conditions'] | null;
  readonly readings: Case['readings'];
  readonly observations: NonNullable<Case['observations']>;
}

/** The oldest first. */
export async function listHistory(
  sql: Sql,
  shop: ShopId,
  vehicle: string,
  scope: Scope,
): Promise<readonly HistoryRow[]> {
  const { rows } = await sql.query<HistoryRow>(
    `SELECT j.job_id AS job, j.opened_at AS "openedAt", j.status, coalesce(j.complaint->'symptoms', '[]') AS symptoms,
            g.document->'decision' AS decision, g.profile, j.system, j.conditions,
            (${SIGN_OFF_OF_ROW}) AS "signOff", (${OUTCOME_OF_ROW}) AS outcome,
            (${readingsOf('j.job_id')}) AS readings, (${observationsOf('j.job_id')}) AS observations
       FROM job j
       LEFT JOIN judgement_newest g ON g.shop_id = j.shop_id AND g.job_id = j.job_id
      WHERE j.shop_id = $1 AND j.vehicle_id = survivor($1, $2) AND ${seesJob('j', '$3')}
      ORDER BY j.opened_at, j.job_id`,
    [shop, vehicle, scope],
  );
  return rows;
}

/** What a visit measured. */
export function measuresOfRow({
  job,
  system,
  conditions,
  readings,
  observations,
}: Pick<HistoryRow, 'job' | 'system' | 'conditions' | 'readings' | 'observations'>): VisitMeasures {
  const subject: Case = {
    format: CASE_FORMAT,
    title: job,
    system,
    ...(conditions && { conditions }),
    observations,
    readings,
  };
  return measuresOfVisit(subject);
}

/** A visit with what it measured. */
export function historyVisit(row: HistoryRow): HistoryVisit {
  const { openedAt, conditions: _conditions, readings: _readings, observations: _observations, ...visit } = row;
  return { ...visit, openedAt: openedAt.toISOString(), measures: measuresOfRow(row) };
}
