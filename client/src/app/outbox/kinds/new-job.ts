import type { JobView, NewJob } from '@tetrad/contracts';
import { CASE_FORMAT } from '@tetrad/core/light';
import { asks } from './kind';
import type { OutboxKind, Queued } from './kind';

export interface NewJobPayload {
  readonly body: NewJob;
}

export const newJob: OutboxKind<NewJobPayload> = {
  request: ({ shop, body }) => asks('openJob', [shop], body),
  apply: (job, item) => job ?? opened(item),
};

/** A job as it will stand once it is opened. */
export const opened = ({ body, queuedAt }: Queued & NewJobPayload): JobView => ({
  id: body.id,
  version: 1,
  revision: 0,
  pass: 'before',
  vehicle: {
    id: body.vehicle.id,
    name: body.vehicle.name,
    plate: body.vehicle.plate ?? null,
    vin: body.vehicle.vin ?? null,
    year: body.vehicle.year ?? null,
    group: body.vehicle.group ?? null,
    batteryFittedOn: body.vehicle.batteryFittedOn ?? null,
  },
  status: 'open',
  assignee: body.assignee ?? null,
  criteria: 'balanced',
  criteriaSet: null,
  openedAt: new Date(queuedAt).toISOString(),
  case: {
    format: CASE_FORMAT,
    title: body.vehicle.name,
    system: body.system,
    complaint: body.complaint ?? {},
    conditions: body.conditions ?? {},
    observations: [],
    readings: [],
  },
  judgement: null,
  timers: [],
  acknowledgements: [],
  signOff: null,
  supersededSignOff: null,
  imported: null,
  importedSignOff: null,
  outcome: null,
});
