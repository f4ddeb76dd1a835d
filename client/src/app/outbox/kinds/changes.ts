import type { JobChanges } from '@tetrad/contracts';
import { onJob } from './kind';
import type { OutboxKind } from './kind';

export interface ChangesPayload {
  readonly body: JobChanges;
}

export const changes: OutboxKind<ChangesPayload> = {
  request: ({ job, body }) => ({ method: 'PATCH', path: `/${job}`, body }),
  apply: onJob((job, { body }) => {
    const { system, complaint, conditions, criteria, status, assignee, pass, vehicle } = body;
    return {
      ...job,
      ...(pass !== undefined && { pass }),
      ...(vehicle && { vehicle: { ...job.vehicle, ...vehicle } }),
      ...(criteria !== undefined && { criteria }),
      ...(status !== undefined && { status }),
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
