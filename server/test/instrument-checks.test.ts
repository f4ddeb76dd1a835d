/** A check of an instrument tells what the table of the trade knows; one that did not makes no list fail. */
import { randomUUID } from 'node:crypto';
import { startApplication } from './application';
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
