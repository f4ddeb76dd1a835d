/** A job as the server tells it, and entries that wait for it. */
import type { JobView } from '@tetrad/contracts';
import type { OutboxItem } from '../src/app/outbox/outbox-item';
import { queued } from '../src/app/outbox/outbox-item';
import { outboxFeature } from '../src/app/outbox/outbox.feature';

export const JOB = '00000000-0000-4000-8000-000000000001';
export const jobView = (readings: JobView['case']['readings'] = []): JobView => ({
  id: JOB,
  version: 1,
  revision: 1,
  pass: 'before',
  vehicle: { id: JOB, name: 'Test van', plate: null, vin: null, year: null, group: null, batteryFittedOn: null },
  status: 'open',
  assignee: null,
  criteria: 'balanced',
  criteriaSet: null,
  openedAt: '2026-03-02T09:00:00Z',
  case: { format: 'tetrad-case/1', system: { nominalVolts: 12, battery: { chemistry: 'flooded' } }, readings },
  judgement: null,
  timers: [],
  acknowledgements: [],
  signOff: null,
  outcome: null,
  supersededSignOff: null,
  imported: null,
  importedSignOff: null,
});
export const reading = (id: string, value: number): OutboxItem =>
  queued({ kind: 'reading', shop: 'one', job: JOB, body: { reading: { id, test: 'resting-voltage', value } } });
/** The opening of that job, not sent yet. */
export const opening = (name: string): OutboxItem =>
  queued({
    kind: 'new-job',
    shop: 'one',
    job: JOB,
    body: { id: JOB, vehicle: { id: JOB, name }, system: { nominalVolts: 12, battery: { chemistry: 'agm' } } },
  });

export const { reducer } = outboxFeature;
export const itemsOf = (state: ReturnType<typeof reducer>): readonly OutboxItem[] =>
  state.ids.map((id) => state.entities[id]!);
