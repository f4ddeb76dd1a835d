import type { JobChanges } from '@tetrad/contracts';
import type { CriteriaSet } from '@tetrad/core';
import { onJob, asks } from './kind';
import type { OutboxKind } from './kind';

export interface ChangesPayload {
  readonly body: JobChanges;
  /** The shop's own criteria set that was chosen, so that this device can judge by it before the server has answered. */
  readonly criteriaSet?: CriteriaSet;
}

export const changes: OutboxKind<ChangesPayload> = {
  request: ({ shop, job, body }) => asks('changeJob', [shop, job], body),
  apply: onJob((job, { body, criteriaSet }) => {
    const { system, complaint, conditions, criteria, status, assignee, pass, vehicle } = body;
    return {
      ...job,
      ...(pass !== undefined && { pass }),
      ...(vehicle && { vehicle: { ...job.vehicle, ...vehicle } }),
      ...(criteria !== undefined && criteria !== job.criteria && { criteria, criteriaSet: criteriaSet ?? null }),
      ...(status !== undefined && { status }),
      // a job that is open again is signed off no longer
      ...(status === 'open' && { signOff: null }),
      ...(assignee !== undefined && { assignee }),
      case: {
        ...job.case,
        ...(system && { system }),
        ...(complaint && { complaint }),
        ...(conditions && { conditions }),
      },
    };
  }),
};
