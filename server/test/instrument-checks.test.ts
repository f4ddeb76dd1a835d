/** A check of an instrument tells what the table of the trade knows; one that did not makes no list fail. */
import { randomUUID } from 'node:crypto';
import { addMember, jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
const AT = `/api/shops/one/instruments/${randomUUID()}`;
beforeAll(async () => {
  app = await startApplication();
  await app.ask('PUT', AT, { name: 'Meter', kind: 'meter', uncertainty: { V: 0.02 } });
});
afterAll(() => app.close());

it.each([
  [{ lamp: 'good' }, 'findings.lamp'],
  [{ 'meter-leads': 'golden' }, 'findings.meter-leads'],
  [{ 'meter-leads': 'steady', color: 'red' }, 'findings.color'],
])('%j is refused by its field, and nothing is stored of it', async (findings, field) => {
  const { status, body } = await app.ask('POST', `${AT}/checks`, { id: randomUUID(), findings });
  expect([status, body.errors[0].field]).toEqual([422, field]);
  const list = await app.ask('GET', '/api/shops/one/instruments');
  expect([list.status, list.body[0].check]).toEqual([200, null]);
});

it('an accuracy in a unit that nothing is read in is refused', async () => {
  const { status, body } = await app.ask('PUT', AT, { name: 'Meter', kind: 'meter', uncertainty: { W: 1 } });
  expect([status, body.errors[0].field]).toEqual([422, 'uncertainty.W']);
});

it('one that is stored all the same is shown as not good', async () => {
  await app.owner.query(
    "INSERT INTO instrument_check (shop_id, instrument_id, check_id, findings) SELECT 'one', instrument_id, gen_random_uuid(), $1 FROM instrument",
    [{ lamp: 'good' }],
  );
  const { status, body } = await app.ask('GET', '/api/shops/one/instruments');
  expect([status, body[0].check.isGood]).toEqual([200, false]);
});

describe('a row that cannot be told', () => {
  const figures = async () => (await fetch(`${app.url}/metrics`)).text();

  it('is left out of its list, with its id in the audit log once, and counted', async () => {
    const bad = randomUUID();
    await app.owner.query(
      "INSERT INTO instrument (shop_id, instrument_id, name, kind, uncertainty) VALUES ('one', $1, 'Bad', 'meter', $2)",
      [bad, { W: 'much' }],
    );
    for (let ask = 0; ask < 2; ask++) {
      const { status, body } = await app.ask('GET', '/api/shops/one/instruments');
      expect([status, body.map(({ name }: { name: string }) => name)]).toEqual([200, ['Meter']]);
    }
    const told = async () =>
      (await app.ask('GET', '/api/shops/one/acts')).body.filter(
        ({ what }: { what: string }) => what === 'row-left-out',
      );
    for (let wait = 0; wait < 50 && (await told()).length === 0; wait++)
      await new Promise((done) => setTimeout(done, 20));
    expect((await told()).map(({ about }: { about: string }) => about)).toEqual([bad]);
    expect(await figures()).toMatch(/^tetrad_rows_left_out 1$/m);
    // mended, it is there again, and no longer counted
    await app.owner.query("UPDATE instrument SET uncertainty = '{}' WHERE instrument_id = $1", [bad]);
    expect((await app.ask('GET', '/api/shops/one/instruments')).body).toHaveLength(2);
    expect(await figures()).toMatch(/^tetrad_rows_left_out 0$/m);
  });

  it('of a job takes the job list of nobody down', async () => {
    const good = jobBody();
    const poisoned = jobBody();
    for (const body of [good, poisoned]) {
      await app.ask('POST', '/api/shops/one/jobs', body);
      await app.ask('POST', `/api/shops/one/jobs/${body.id}/readings`, readingBody('resting-voltage', 12.6));
    }
    await app.owner.query(
      `UPDATE judgement_newest SET document = jsonb_set(document::jsonb, '{decision,action}', '"guess"')::json WHERE job_id = $1`,
      [poisoned.id],
    );
    const { status, body } = await app.ask('GET', '/api/shops/one/jobs');
    expect([status, body.map(({ id }: { id: string }) => id)]).toEqual([200, [good.id]]);
  });
});

describe('an instrument', () => {
  it('has its address, scale and accuracy changed by those who lead, and every change noted with what was before', async () => {
    await addMember(app.pool, 'one', 'Bo', 'apprentice');
    const cookie = await app.signIn('one', 'Bo');
    const at = `/api/shops/one/instruments/${randomUUID()}`;
    const clamp = { name: 'Clamp', kind: 'clamp', uncertainty: { A: 2 }, millivoltsPerAmp: 10 };
    expect((await app.ask('PUT', at, clamp, cookie)).status).toBe(200);
    expect((await app.ask('PUT', at, { ...clamp, name: 'Big clamp' }, cookie)).body.name).toBe('Big clamp');
    for (const change of [{ uncertainty: { A: 0.1 } }, { millivoltsPerAmp: 1 }, { address: 'tcp://192.168.1.20:5025' }])
      expect((await app.ask('PUT', at, { ...clamp, ...change }, cookie)).status).toBe(403);
    expect((await app.ask('PUT', at, { ...clamp, millivoltsPerAmp: 1 })).status).toBe(200);
    const { rows } = await app.owner.query(
      "SELECT entry::jsonb AS entry FROM act WHERE entry::jsonb->>'what' = 'instrument-changed' ORDER BY seq DESC LIMIT 2",
    );
    expect(rows.map(({ entry }) => entry)).toMatchObject([
      { name: 'Ada', kind: 'person', detail: { was: { millivoltsPerAmp: 10 }, now: { millivoltsPerAmp: 1 } } },
      { name: 'Bo', detail: { was: { name: 'Clamp' }, now: { name: 'Big clamp' } } },
    ]);
  });

  it('is never read from the server’s own machine, outside of the demo', async () => {
    for (const host of ['127.0.0.1:5432', 'localhost:5432', '[::1]:5432', '0.0.0.0:80', '169.254.169.254:80']) {
      const settings = { forgetsAtSignOut: false, instrumentHosts: ['192.168.1.20:5025', host] };
      const { status, body } = await app.ask('PUT', '/api/shops/one/settings', settings);
      expect([host, status, body.errors[0].field]).toEqual([host, 422, 'instrumentHosts[1]']);
    }
  });
});
