/** All that is stored of a job beside its row, read in one statement. */
import type { JobId, ShopId } from '@tetrad/contracts';
import type {
  AcknowledgementView,
  ImportedSignOffView,
  OutcomeView,
  SignOffView,
  SupersededSignOffView,
  TimerView,
} from '@tetrad/contracts';
import type { Judgement, Observation, Reading } from '@tetrad/core';
import { ACKNOWLEDGEMENTS } from '../cautions/acknowledgements.sql';
import type { Sql } from '../platform/database/pool';
import { observationsOf, readingsOf } from '../evidence/evidence.sql';
import { OUTCOME } from '../outcomes/outcomes.sql';
import { IMPORTED_SIGN_OFF, SIGN_OFF, SUPERSEDED_SIGN_OFF } from '../signing/sign-offs.sql';
import { TIMERS } from '../waiting/timers.sql';

/** What is known of the vehicle: readings with their voids, in the order in which they were entered, and what was seen. */
export interface Evidence {
  readonly readings: readonly Reading[];
  readonly observations: readonly Observation[];
}

export interface WholeJob extends Evidence {
  readonly judgement: Judgement | null;
  readonly timers: readonly TimerView[];
  readonly acknowledgements: readonly AcknowledgementView[];
  readonly signOff: SignOffView | null;
  readonly supersededSignOff: SupersededSignOffView | null;
  readonly importedSignOff: ImportedSignOffView | null;
  readonly outcome: OutcomeView | null;
}

const EVIDENCE = `(${readingsOf('$2')}) AS readings, (${observationsOf('$2')}) AS observations`;

export async function wholeOf(sql: Sql, shop: ShopId, job: JobId): Promise<WholeJob> {
  const { rows } = await sql.query<WholeJob>(
    `SELECT ${EVIDENCE},
            (SELECT document FROM judgement_newest WHERE shop_id = $1 AND job_id = $2) AS judgement,
            (${TIMERS}) AS timers, (${ACKNOWLEDGEMENTS}) AS acknowledgements, (${SIGN_OFF}) AS "signOff",
            (${SUPERSEDED_SIGN_OFF}) AS "supersededSignOff", (${IMPORTED_SIGN_OFF}) AS "importedSignOff", (${OUTCOME}) AS outcome`,
    [shop, job],
  );
  return rows[0]!;
}
