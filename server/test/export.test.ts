/** A job goes out as a case with all that was decided, and comes back as it was. */
import { randomUUID } from 'node:crypto';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

async function signedJob(): Promise<string> {
  const body = { ...jobBody(), assignee: 'Bo' };
  body.vehicle = { ...body.vehicle, vin: 'WBA00000000000000', year: 2019 } as typeof body.vehicle;
  const path = `/api/shops/one/jobs/${body.id}`;
  await app.ask('POST', '/api/shops/one/jobs', body);
  await app.ask('PATCH', path, { version: 1, criteria: 'careful', pass: 'after' });
  const reading = readingBody('resting-voltage', 12.62, { conditions: { surfaceChargeRemoved: true } });
  await app.ask('POST', `${path}/readings`, reading);
  await app.ask('POST', `${path}/readings/${reading.reading.id}/void`, { reason: 'slip' });
  await app.ask('POST', `${path}/readings`, readingBody('resting-voltage', 12.5));
  await app.ask('POST', `${path}/sign-offs`, {
    id: randomUUID(),
    action: 'replace',
    part: 'battery',
    reason: 'The case leaks.',
    conclusion: 'A new battery.',
    partsFitted: ['battery 560 A'],
    solved: true,
  });
  return path;
}

/** What differs from one time to the next: ids of job and sign-off. */
const comparable = ({ body }: { body: { job: { signOff: object } } }) => ({
  ...body,
  job: { ...body.job, signOff: { ...body.job.signOff, id: 'x' } },
});

it('out of one shop and into another, it says the same: plate, status, times, readings, voids, sign-off', async () => {
  const out = await app.ask('GET', `${await signedJob()}/case`);
  expect(out.body.job).toMatchObject({
    vehicle: { plate: expect.stringMatching(/^TV \d+$/), vin: 'WBA00000000000000', year: 2019 },
    status: 'closed',
    assignee: 'Bo',
    criteria: 'careful',
    pass: 'after',
    signOff: { by: 'Ada', action: 'replace', conclusion: 'A new battery.', judged: { action: expect.any(String) } },
  });
  const imported = await app.ask('POST', '/api/shops/two/cases', out.body);
  expect(imported.status).toBe(201);
  const back = await app.ask('GET', `/api/shops/two/jobs/${imported.body.id}/case`);
  expect(comparable(back)).toEqual(comparable(out));
});

it.each([
  [{ status: 'lost' }, 'job.status'],
  [{ openedAt: 'yesterday' }, 'job.openedAt'],
  [{ vehicle: { plate: 7 } }, 'job.vehicle.plate'],
  [{ signOff: { by: '' } }, 'job.signOff.by'],
  [{ more: 1 }, 'job.more'],
])('a record with %j is refused by its field, and nothing is stored of it', async (change, field) => {
  const out = await app.ask('GET', `${await signedJob()}/case`);
  const before = (await app.ask('GET', '/api/shops/two/jobs?status=closed')).body.length;
  const document = { ...out.body, job: { ...out.body.job, ...change } };
  const { status, body } = await app.ask('POST', '/api/shops/two/cases', document);
  expect([status, body.errors.map((error: { field: string }) => error.field)]).toEqual([
    422,
    expect.arrayContaining([field]),
  ]);
  expect((await app.ask('GET', '/api/shops/two/jobs?status=closed')).body).toHaveLength(before);
});
