/** What is sent again is done once and answered as the first time; the same id with something else is refused. */
import { randomUUID } from 'node:crypto';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
let path: string;
let opened: ReturnType<typeof jobBody>;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());
beforeEach(async () => {
  opened = jobBody();
  path = `/api/shops/one/jobs/${opened.id}`;
  await send('POST', '/api/shops/one/jobs', opened, `open-${opened.id}`);
});

async function send(method: string, where: string, body: unknown, id: string, header = 'idempotency-key') {
  const response = await fetch(app.url + where, {
    method,
    headers: { cookie: app.cookieFor(where), 'content-type': 'application/json', [header]: `"${id}"` },
    body: JSON.stringify(body),
  });
  return { status: response.status, body: await response.json() };
}
const count = async (table: string): Promise<number> =>
  Number((await app.owner.query(`SELECT count(*) AS n FROM ${table} WHERE job_id = $1`, [opened.id])).rows[0].n);

it('a change whose answer was lost is no conflict with oneself, and changes nothing twice', async () => {
  const id = randomUUID();
  const first = await send('PATCH', path, { version: 1, assignee: 'Bo' }, id);
  const again = await send('PATCH', path, { version: 1, assignee: 'Bo' }, id);
  expect([first.status, again.status]).toEqual([200, 200]);
  expect([first.body.version, again.body.version]).toEqual([2, 2]);
  const other = await send('PATCH', path, { version: 2, assignee: 'Ida' }, id);
  expect([other.status, other.body.type]).toEqual([409, expect.stringContaining('id-taken')]);
});

it('the key is the same with and without quotes, and under its earlier name', async () => {
  const id = randomUUID();
  await send('PATCH', path, { version: 1, assignee: 'Bo' }, id);
  const bare = await fetch(app.url + path, {
    method: 'PATCH',
    headers: { cookie: app.cookieFor(path), 'content-type': 'application/json', 'idempotency-key': id },
    body: JSON.stringify({ version: 1, assignee: 'Bo' }),
  });
  expect([bare.status, (await bare.json()).version]).toEqual([200, 2]);
  const earlier = await send('PATCH', path, { version: 1, assignee: 'Bo' }, id, 'write-id');
  expect([earlier.status, earlier.body.version]).toEqual([200, 2]);
});

it('an import sent twice is one job, a new job sent twice too', async () => {
  const id = randomUUID();
  const CASE = { format: 'tetrad-case/1', system: { nominalVolts: 12, battery: { chemistry: 'agm' } }, readings: [] };
  const answers = [
    await send('POST', '/api/shops/one/cases', CASE, id),
    await send('POST', '/api/shops/one/cases', CASE, id),
  ];
  expect(answers.map(({ status }) => status)).toEqual([201, 201]);
  expect(answers[0]!.body.id).toBe(answers[1]!.body.id);
  expect((await send('POST', '/api/shops/two/cases', CASE, id)).body.id).not.toBe(answers[0]!.body.id);
  const again = await send('POST', '/api/shops/one/jobs', opened, `open-${opened.id}`);
  expect([again.status, again.body.id]).toEqual([201, opened.id]);
});

it('of ten at once one is done, and all are answered', async () => {
  const [id, body] = [randomUUID(), readingBody('resting-voltage', 12.6)];
  const sendings = Array.from({ length: 10 }, (_, at) =>
    send('POST', `${path}/readings`, { ...body, secondsAgo: at }, id),
  );
  const answers = await Promise.all(sendings);
  expect(new Set(answers.map(({ status, body: { case: given } }) => `${status} ${given.readings.length}`))).toEqual(
    new Set(['201 1']),
  );
  expect([await count('reading'), await count('judgement')]).toEqual([1, 2]);
});

it('what changes no judgement stores none', async () => {
  const before = await count('judgement');
  await send('POST', `${path}/timers`, { id: randomUUID(), kind: 'cool-down' }, randomUUID());
  await send('POST', `${path}/acknowledgements`, { caution: 'acid' }, randomUUID());
  await send('PATCH', path, { version: 1, assignee: 'Bo' }, randomUUID());
  expect(await count('judgement')).toBe(before);
});

it('an id that is none is refused by name', async () => {
  const { status, body } = await send('PATCH', path, { version: 1 }, 'short');
  expect([status, body.errors[0].field]).toEqual([422, 'Idempotency-Key']);
});

it('many writes behind one locked job take one connection: other jobs go on', async () => {
  const other = jobBody();
  await send('POST', '/api/shops/one/jobs', other, randomUUID());
  const holder = await app.owner.connect();
  try {
    await holder.query('BEGIN');
    await holder.query('SELECT 1 FROM job WHERE job_id = $1 FOR UPDATE', [opened.id]);
    const stuck = Array.from({ length: 20 }, () =>
      send('POST', `${path}/readings`, readingBody('resting-voltage', 12.6), randomUUID()),
    );
    await new Promise((resolve) => setTimeout(resolve, 300));
    const free = await send(
      'POST',
      `/api/shops/one/jobs/${other.id}/readings`,
      readingBody('resting-voltage', 12.6),
      randomUUID(),
    );
    expect(free.status).toBe(201);
    const { rows } = await app.owner.query(
      "SELECT count(*)::int AS n FROM pg_stat_activity WHERE wait_event_type = 'Lock' AND datname = current_database()",
    );
    expect(rows[0].n).toBeLessThanOrEqual(1);
    await holder.query('COMMIT');
    expect((await Promise.all(stuck)).map(({ status }) => status)).toEqual(stuck.map(() => 201));
  } finally {
    holder.release();
  }
});

it('a lock that is not had in time is 503 with the time to try again, and nothing is stored', async () => {
  const holder = await app.owner.connect();
  try {
    await holder.query('BEGIN');
    await holder.query('SELECT 1 FROM job WHERE job_id = $1 FOR UPDATE', [opened.id]);
    const response = await fetch(`${app.url}${path}/readings`, {
      method: 'POST',
      headers: { cookie: app.cookieFor(path), 'content-type': 'application/json' },
      body: JSON.stringify(readingBody('resting-voltage', 12.6)),
    });
    expect([response.status, response.headers.get('retry-after')]).toEqual([503, '2']);
    expect((await response.json()).type).toContain('busy');
  } finally {
    await holder.query('ROLLBACK');
    holder.release();
  }
  expect(await count('reading')).toBe(0);
}, 15_000);

describe('a lost answer is told again', () => {
  const SHOP = '/api/shops/one';
  const people = async (): Promise<number> => (await app.ask('GET', `${SHOP}/people`)).body.length;

  it('with the same one-time password, which opens the account', async () => {
    const id = randomUUID();
    const body = { id: randomUUID(), name: `New ${id.slice(0, 8)}`, role: 'technician' };
    const before = await people();
    const [first, again] = [
      await send('POST', `${SHOP}/people`, body, id),
      await send('POST', `${SHOP}/people`, body, id),
    ];
    expect([first.status, again.status]).toEqual([201, 201]);
    expect(again.body).toEqual(first.body);
    expect(await people()).toBe(before + 1);
    const at = { shop: 'one', name: body.name, password: first.body.oneTimePassword };
    expect((await app.ask('POST', '/api/session', at, '')).status).toBe(201);
    const other = await send(
      'POST',
      `${SHOP}/people`,
      { ...body, id: randomUUID(), name: `${body.name} x` },
      randomUUID(),
    );
    expect(other.body.oneTimePassword).not.toBe(first.body.oneTimePassword);
  });

  it('with the same key for a phone, which is good once', async () => {
    const id = randomUUID();
    const [first, again] = [
      await send('POST', `${path}/pairings`, {}, id),
      await send('POST', `${path}/pairings`, {}, id),
    ];
    expect(again.body.key).toBe(first.body.key);
    const { key } = first.body;
    expect((await app.ask('POST', '/api/session/phone', { key }, '')).status).toBe(201);
    expect((await app.ask('POST', '/api/session/phone', { key }, '')).status).toBe(403);
  });

  it('of an instrument and its check, which is one check', async () => {
    const [id, write] = [randomUUID(), randomUUID()];
    const body = { name: 'Meter 9', kind: 'meter', uncertainty: { V: 0.02 } };
    const put = () => send('PUT', `${SHOP}/instruments/${id}`, body, write);
    expect((await put()).body).toEqual((await put()).body);
    expect((await send('PUT', `${SHOP}/instruments/${id}`, { ...body, name: 'Meter 10' }, write)).status).toBe(409);
    const check = { id: randomUUID(), findings: { 'meter-leads': 'steady' } };
    const checkId = randomUUID();
    for (let i = 0; i < 2; i++)
      expect((await send('POST', `${SHOP}/instruments/${id}/checks`, check, checkId)).status).toBe(201);
    const { rows } = await app.owner.query('SELECT 1 FROM instrument_check WHERE instrument_id = $1', [id]);
    expect(rows).toHaveLength(1);
  });
});

it('a reading or an observation under a known id is the same one in everything, or it is refused', async () => {
  const { reading: plain } = readingBody('drop-starter-ground', 0.2);
  const reading = { ...plain, conditions: { amps: 140 } };
  const post = (where: string, body: unknown) => send('POST', `${path}/${where}`, body, randomUUID());
  const sent = { reading };
  expect((await post('readings', sent)).status).toBe(201);
  expect((await post('readings', sent)).status).toBe(201);
  for (const other of [{ conditions: { amps: 20 } }, { conditions: {} }, { uncertainty: 0.1 }, { pass: 'after' }]) {
    const answer = await post('readings', { reading: { ...reading, ...other } });
    expect([answer.status, answer.body.type]).toEqual([409, expect.stringContaining('id-taken')]);
  }
  const id = randomUUID();
  const observation = { about: 'terminals', finding: 'clean' };
  expect((await post('observations', { id, observation })).status).toBe(201);
  expect((await post('observations', { id, observation })).status).toBe(201);
  const noted = await post('observations', { id, observation: { ...observation, note: 'green at the −' } });
  expect(noted.status).toBe(409);
  expect([await count('reading'), await count('observation')]).toEqual([1, 1]);
});
