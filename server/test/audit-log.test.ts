/** The audit log holds what was done, and shows where it was touched. */
import { shopId } from '@tetrad/contracts';
import { verifyAuditLog } from '../src/audit-log/verify-audit-log';
import { inShop } from '../src/platform/database/working-shop';
import { PASSWORD, jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

const verified = () => inShop(shopId('one'), () => verifyAuditLog(app.pool));

it('tells who did what, when, from where, the newest first', async () => {
  const body = jobBody();
  await app.ask('POST', '/api/shops/one/jobs', body);
  const reading = readingBody('resting-voltage', 12.6);
  const at = `/api/shops/one/jobs/${body.id}`;
  await app.ask('POST', `${at}/readings`, reading);
  await app.ask('POST', `${at}/readings/${reading.reading.id}/void`, { reason: 'slip' });
  await app.ask('GET', `${at}/case`);
  await app.ask('POST', '/api/session', { shop: 'one', name: 'Ada', password: 'not this' }, '');
  const { body: acts } = await app.ask('GET', '/api/shops/one/acts');
  expect(acts.slice(0, 5).map(({ what, person, about }: Record<string, string>) => [what, person, about])).toEqual([
    ['sign-in-failed', null, expect.any(String)],
    ['case-exported', 'Ada', body.id],
    ['reading-voided', 'Ada', body.id],
    ['reading-added', 'Ada', body.id],
    ['job-opened', 'Ada', body.id],
  ]);
  expect(acts[1].from).toMatch(/127\.0\.0\.1|::1/);
  const [newest, next] = acts;
  expect((await app.ask('GET', `/api/shops/one/acts?before=${newest.seq}`)).body[0]).toEqual(next);
  expect((await app.ask('GET', '/api/shops/one/acts?before=soon')).status).toBe(422);
  // the widest that the document allows is taken, and nothing beyond it
  expect((await app.ask('GET', '/api/shops/one/acts?before=999999999999999')).status).toBe(200);
  expect((await app.ask('GET', '/api/shops/one/acts?before=1000000000000000')).status).toBe(422);
});

it('is unbroken, also when many write at once', async () => {
  const bodies = Array.from({ length: 12 }, () => jobBody());
  await Promise.all(bodies.map((body) => app.ask('POST', '/api/shops/one/jobs', body)));
  expect(await verified()).toMatchObject({ isWhole: true, entries: expect.any(Number) });
});

it('holds no secret', async () => {
  await app.ask('PUT', '/api/session/secrets', { password: PASSWORD, pin: '9731' });
  const { rows } = await app.owner.query("SELECT string_agg(entry, '') AS all FROM act");
  // The digits of a PIN also occur by chance in ids and times, which are no secret.
  const words = rows[0].all.replace(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}|\d{4}-\d\d-\d\dT[\d:.]+Z/g, '');
  expect(words).toContain('"what":');
  expect(words).not.toMatch(new RegExp(`${PASSWORD}|9731|argon2`));
});

it.each([
  [
    'an entry is changed',
    "UPDATE act SET entry = replace(entry, 'Ada', 'Eve') WHERE shop_id = 'one' AND seq = 3",
    'hash',
  ],
  ['an entry is taken out', "DELETE FROM act WHERE shop_id = 'one' AND seq = 3", 'missing'],
  [
    'an entry is made to follow another',
    "UPDATE act SET previous = hash WHERE shop_id = 'one' AND seq = 3",
    'previous',
  ],
])('where %s behind its back, the place is named', async (_what, statement, why) => {
  const client = await app.owner.connect();
  try {
    await client.query('BEGIN');
    await client.query("SET LOCAL session_replication_role = replica; SELECT set_config('tetrad.shop', 'one', true)");
    await client.query(statement);
    expect(await inShop(shopId('one'), () => verifyAuditLog(client))).toEqual({ isWhole: false, seq: 3, why });
  } finally {
    await client.query('ROLLBACK');
    client.release();
  }
  expect(await verified()).toMatchObject({ isWhole: true });
});
