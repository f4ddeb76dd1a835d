/** Closed is closed: evidence, system, complaint and vehicle of a job stay as they were signed until somebody opens it again. */
import { randomUUID } from 'node:crypto';
import type { JobView } from '@tetrad/contracts';
import { addMember, jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
let apprentice: string;
beforeAll(async () => {
  app = await startApplication();
  await addMember(app.pool, 'one', 'Bo', 'apprentice');
  apprentice = await app.signIn('one', 'Bo');
});
afterAll(() => app.close());

const shop = '/api/shops/one';
const signOff = () => ({
  ...{ id: randomUUID(), action: 'replace', part: 'battery', reason: 'as seen' },
  ...{ conclusion: 'A new battery.', partsFitted: ['battery'] },
});

async function signedJob(): Promise<{ readonly at: string; readonly view: JobView; readonly reading: string }> {
  const body = jobBody();
  const at = `${shop}/jobs/${body.id}`;
  await app.ask('POST', `${shop}/jobs`, body);
  const reading = readingBody('resting-voltage', 12.6);
  await app.ask('POST', `${at}/readings`, reading);
  return { at, view: (await app.ask('POST', `${at}/sign-offs`, signOff())).body, reading: reading.reading.id };
}

it('takes no change of what it was closed with, from anybody', async () => {
  const { at, view, reading } = await signedJob();
  const observation = { id: randomUUID(), observation: { about: 'belt', finding: 'good' } };
  const system = { ...view.case.system, nominalVolts: 24 };
  const tried: [string, string, object][] = [
    ['POST', '/readings', readingBody('resting-voltage', 11.1)],
    ['POST', `/readings/${reading}/void`, { reason: 'slip' }],
    ['POST', '/observations', observation],
    ['POST', '/captures', { id: randomUUID(), name: 'start.csv', bytes: 10 }],
    ['PATCH', '', { version: view.version, system }],
    ['PATCH', '', { version: view.version, complaint: { symptoms: ['goes-flat'] } }],
    ['PATCH', '', { version: view.version, criteria: 'careful' }],
    ['PATCH', '', { version: view.version, pass: 'after' }],
    ['PATCH', '', { version: view.version, vehicle: { name: 'Another' } }],
  ];
  for (const cookie of [apprentice, app.cookieFor(shop)])
    for (const [method, path, body] of tried) {
      const { status, body: said } = await app.ask(method, at + path, body, cookie);
      const changed = Object.keys(body).at(-1);
      expect([path, changed, status, said.type]).toEqual([path, changed, 409, 'urn:tetrad:problem:closed']);
    }
  const { revision: _revision, ...now } = (await app.ask('GET', at)).body as JobView;
  const { revision: _before, ...was } = view;
  expect(now).toEqual(was);
});

it('goes on once it is opened again; the sign-off then stands as superseded', async () => {
  const { at, view } = await signedJob();
  expect((await app.ask('PATCH', at, { version: view.version, status: 'open' }, apprentice)).status).toBe(403);
  const open = await app.ask('PATCH', at, { version: view.version, status: 'open', pass: 'after' });
  expect(open.body).toMatchObject({
    status: 'open',
    pass: 'after',
    signOff: null,
    supersededSignOff: { by: 'Ada', conclusion: 'A new battery.', superseded: { by: 'Ada' } },
  });
  expect((await app.ask('POST', `${at}/readings`, readingBody('resting-voltage', 12.7))).status).toBe(201);
  const again = await app.ask('POST', `${at}/sign-offs`, { ...signOff(), conclusion: 'Signed anew.' });
  expect(again.body).toMatchObject({ status: 'closed', signOff: { conclusion: 'Signed anew.' } });
});

it('is signed off once, however often the same sign-off is sent', async () => {
  const body = jobBody();
  const at = `${shop}/jobs/${body.id}`;
  await app.ask('POST', `${shop}/jobs`, body);
  const one = signOff();
  for (let times = 0; times < 2; times++) expect((await app.ask('POST', `${at}/sign-offs`, one)).status).toBe(201);
});

it('a job that is given to somebody else is told to whoever stored it', async () => {
  const body = { ...jobBody(), assignee: 'Ada' };
  const opened = await app.ask('POST', `${shop}/jobs`, body, apprentice);
  expect([opened.status, opened.body.id, opened.body.assignee]).toEqual([201, body.id, 'Ada']);
  expect((await app.ask('GET', `${shop}/jobs/${body.id}`, undefined, apprentice)).status).toBe(404);
  const subject = { format: 'tetrad-case/1', system: body.system, readings: [] };
  const job = {
    vehicle: { name: 'Van' },
    status: 'open',
    pass: 'before',
    openedAt: '2026-11-01T10:00:00Z',
    assignee: 'Ada',
  };
  const imported = await app.ask('POST', `${shop}/cases`, { ...subject, job }, apprentice);
  expect([imported.status, imported.body.assignee]).toEqual([201, 'Ada']);
});
