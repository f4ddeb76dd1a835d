import type { JobView, SignOffView } from '@tetrad/contracts';
import { CASE_FORMAT, usualSeconds } from '@tetrad/core';
import type { OutboxItem } from '../outbox/outbox-item';

/**
 * A job as it will stand once the outbox is sent: nobody waits for the server to see what a reading
 * means. A refused item is not applied; it is shown by itself.
 *
 * @param stored The job as the server last told it, or null.
 * @returns null where neither the server nor the outbox knows the job.
 */
export function withOutbox(stored: JobView | null, id: string, items: readonly OutboxItem[]): JobView | null {
  return items.filter((item) => item.job === id && item.state !== 'refused').reduce(apply, stored);
}

function apply(job: JobView | null, item: OutboxItem): JobView | null {
  if (item.kind === 'new-job') return job ?? opened(item);
  if (job === null) return null;
  switch (item.kind) {
    case 'reading': {
      const { reading } = item.body;
      if (job.case.readings.some((known) => known.id === reading.id)) return job;
      return {
        ...job,
        case: {
          ...job.case,
          readings: [...job.case.readings, { ...reading, at: new Date(item.queuedAt).toISOString() }],
        },
      };
    }
    case 'void':
      return {
        ...job,
        case: {
          ...job.case,
          readings: job.case.readings.map((reading) =>
            reading.id === item.reading ? { ...reading, void: item.body.reason } : reading,
          ),
        },
      };
    case 'observation':
      return { ...job, case: { ...job.case, observations: [...(job.case.observations ?? []), item.body.observation] } };
    case 'changes': {
      const { system, complaint, conditions, criteria, status, assignee, pass, vehicle } = item.body;
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
    }
    case 'timer': {
      const { id, kind, seconds = usualSeconds(kind) } = item.body;
      const others = job.timers.filter((timer) => timer.id !== id && timer.kind !== kind);
      const timer = { id, kind, seconds, startedAt: new Date(item.startedAt).toISOString() };
      return job.timers.some((known) => known.id === id) ? job : { ...job, timers: [...others, timer] };
    }
    case 'timer-stop':
      return { ...job, timers: job.timers.filter(({ id }) => id !== item.timer) };
    case 'acknowledgement': {
      const { caution, by } = item.body;
      if (job.acknowledgements.some((known) => known.caution === caution)) return job;
      const at = new Date(item.queuedAt).toISOString();
      return { ...job, acknowledgements: [...job.acknowledgements, { caution, by, at }] };
    }
    case 'sign-off':
      return { ...job, status: 'closed', signOff: signed(item, job) };
    default:
      throw new Error(`unknown outbox item ${JSON.stringify(item satisfies never)}`);
  }
}

function opened({ body, queuedAt }: Extract<OutboxItem, { kind: 'new-job' }>): JobView {
  const { vehicle } = body;
  return {
    id: body.id,
    version: 1,
    revision: 0,
    pass: 'before',
    vehicle: {
      id: vehicle.id,
      name: vehicle.name,
      plate: vehicle.plate ?? null,
      vin: vehicle.vin ?? null,
      year: vehicle.year ?? null,
    },
    status: 'open',
    assignee: body.assignee ?? null,
    criteria: 'balanced',
    openedAt: new Date(queuedAt).toISOString(),
    case: {
      format: CASE_FORMAT,
      title: vehicle.name,
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
  };
}

const signed = ({ body, queuedAt }: Extract<OutboxItem, { kind: 'sign-off' }>, job: JobView): SignOffView => ({
  ...body,
  at: new Date(queuedAt).toISOString(),
  part: body.part ?? null,
  reason: body.reason ?? null,
  comment: body.comment ?? null,
  solved: body.solved ?? null,
  judged: job.judgement?.decision ?? null,
});
