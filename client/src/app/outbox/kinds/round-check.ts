import type { RoundCheck } from '@tetrad/contracts';
import { ageOf, asks } from './kind';
import type { OutboxKind } from './kind';
import { opened } from './new-job';

export interface RoundCheckPayload {
  readonly body: Omit<RoundCheck, 'secondsAgo'>;
  /** Who was signed in on this device. */
  readonly by: string;
}

/** The check of one vehicle of a round: a job with all that was read, in one request. */
export const roundCheck: OutboxKind<RoundCheckPayload> = {
  request: (item, now) => asks('checkVehicle', [item.shop, item.job], { ...item.body, secondsAgo: ageOf(item, now) }),
  apply(job, { body: { vehicle, system, conditions, readings, observations }, by, ...item }) {
    if (job) return job;
    const body = { id: item.job, vehicle, system, ...(conditions && { conditions }), assignee: by };
    const view = opened({ ...item, body });
    const at = view.openedAt;
    return {
      ...view,
      case: {
        ...view.case,
        readings: readings.map((reading) => ({ ...reading, at, by })),
        observations: observations.map(({ observation }) => observation),
      },
    };
  },
};
