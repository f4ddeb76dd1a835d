/** Nothing of one shop is found, changed or counted from another: by any route, by any table, by any role of the database. */
import { randomUUID } from 'node:crypto';
import { CAPTURE_PIECE_BYTES, shopId } from '@tetrad/contracts';
import { Pool } from '../src/platform/database/pool';
import { inShop } from '../src/platform/database/working-shop';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
let mine: Readonly<
  Record<'job' | 'vehicle' | 'capture' | 'person' | 'instrument' | 'reading' | 'observation' | 'timer', string>
>;
beforeAll(async () => {
  app = await startApplication();
  const body = jobBody();
  const at = `/api/shops/one/jobs/${body.id}`;
  const reading = readingBody('resting-voltage', 12.6);
  const [capture, observation, timer] = [randomUUID(), randomUUID(), randomUUID()];
  const instrument = randomUUID();
  const steps: [string, string, object][] = [
    ['POST', '/api/shops/one/jobs', body],
    ['POST', `${at}/readings`, reading],
    ['POST', `${at}/readings/${reading.reading.id}/void`, { reason: 'slip' }],
    ['POST', `${at}/observations`, { id: observation, observation: { about: 'belt', finding: 'good' } }],
    ['POST', `${at}/timers`, { id: timer, kind: 'cool-down' }],
    ['POST', `${at}/acknowledgements`, { caution: 'acid' }],
    ['POST', `${at}/acknowledgements/acid/take-back`, {}],
    ['POST', `${at}/captures`, { id: capture, name: 'start.csv', bytes: 10 }],
    ['PUT', `/api/shops/one/instruments/${instrument}`, { name: 'Meter', kind: 'meter', uncertainty: {} }],
    ['POST', `${at}/pairings`, {}],
  ];
  for (const [method, path, given] of steps)
    expect([path, (await app.ask(method, path, given)).status < 300]).toEqual([path, true]);
  const [person] = (await app.ask('GET', '/api/shops/one/people')).body;
  mine = {
    job: body.id,
    vehicle: body.vehicle.id,
    capture,
    person: person.id,
    instrument,
    reading: reading.reading.id,
    observation,
    timer,
  };
});
afterAll(() => app.close());

/** Every address of the application that names a shop, as it is told by Express itself. */
const addresses = (): [string, string][] => {
  const { job, vehicle, capture, person, instrument, reading, observation, timer } = mine;
  const of = (method: string, paths: readonly string[]) => paths.map((path): [string, string] => [method, path]);
  return [
    ...of('GET', ['/jobs', `/jobs/${job}`, `/jobs/${job}/case`, `/jobs/${job}/live`, `/jobs/${job}/report.pdf`]),
    ...of('GET', [
      `/jobs/${job}/captures`,
      `/jobs/${job}/captures-alike`,
      `/captures/${capture}/file`,
      '/live',
      '/acts',
    ]),
    ...of('GET', [`/jobs/${job}/judgements`, `/jobs/${job}/judgements/1`, '/backups']),
    ...of('POST', [
      `/jobs/${job}/observations/${observation}/take-back`,
      `/jobs/${job}/timers/${timer}/stop`,
      `/jobs/${job}/acknowledgements/acid/take-back`,
    ]),
    ...of('GET', ['/vehicles', `/vehicles/${vehicle}/visits`, '/people', '/instruments']),
    ...of('POST', ['/jobs', '/cases', '/people', `/jobs/${job}/readings`, `/jobs/${job}/readings/${reading}/void`]),
    ...of('POST', [`/jobs/${job}/observations`, `/jobs/${job}/timers`, `/jobs/${job}/acknowledgements`]),
    ...of('POST', [
      `/jobs/${job}/sign-offs`,
      `/jobs/${job}/captures`,
      `/jobs/${job}/pairings`,
      `/captures/${capture}/found`,
    ]),
    ...of('POST', [`/people/${person}/end-sessions`, `/people/${person}/one-time-password`]),
    ...of('GET', [`/people/${person}/sessions`]),
    ...of('DELETE', [`/people/${person}/sessions/${randomUUID()}`]),
    ...of('PUT', ['/settings']),
    ...of('POST', ['/simulated-vehicle']),
    ...of('GET', ['/practice/results', '/practice/class', `/vehicles/${vehicle}`, `/vehicles/${vehicle}/history`]),
    ...of('GET', [`/vehicles/${vehicle}/kind`, `/vehicles/${vehicle}/captures`]),
    ...of('PATCH', [`/vehicles/${vehicle}`]),
    ...of('POST', [`/vehicles/${vehicle}/moves`, `/vehicle-moves/${randomUUID()}/undo`]),
    ...of('GET', ['/rounds', '/rounds.ics']),
    ...of(
      'GET',
      ['vehicles', 'sheet', 'sheet.pdf'].map((what) => `/rounds/${randomUUID()}/${what}`),
    ),
    ...of('POST', [`/jobs/${randomUUID()}/round-check`]),
    ...of('PUT', [`/vehicles/${vehicle}/uses/${randomUUID()}`]),
    ...of('DELETE', [`/rounds/${randomUUID()}`]),
    ...of('POST', ['/vehicle-imports', `/vehicle-imports/${randomUUID()}/undo`]),
    ...of('GET', ['/settings', '/instruments/live']),
    ...of('POST', [
      `/instruments/${instrument}/checks`,
      `/instruments/${instrument}/recordings`,
      `/instruments/${instrument}/zero`,
    ]),
    ...of('PATCH', [`/jobs/${job}`, `/people/${person}`]),
    ...of('GET', ['/criteria', '/outcomes', `/jobs/${job}/anonymous-case`, '/maker-figures']),
    ...of('POST', [`/jobs/${job}/outcomes`, '/maker-figure-imports']),
    ...of('PUT', [`/maker-figures/${randomUUID()}`]),
    ...of('DELETE', [`/maker-figures/${randomUUID()}`]),
    ...of('POST', [
      '/criteria',
      '/criteria/check',
      '/criteria/own/versions/1/in-force',
      '/criteria/own/versions/1/rejudge',
    ]),
    ...of('PUT', ['/criteria/usual']),
    ...of('GET', ['/api-keys', '/webhooks', `/webhooks/${randomUUID()}/deliveries`]),
    ...of('POST', ['/api-keys', `/webhooks/${randomUUID()}/test`]),
    ...of('PUT', [`/webhooks/${randomUUID()}`]),
    ...of('DELETE', [`/api-keys/${randomUUID()}`, `/webhooks/${randomUUID()}`]),
    ...of('PUT', [`/instruments/${instrument}`, `/captures/${capture}/pieces/0`]),
    ...of('PUT', [`/practice/results/${randomUUID()}`, `/rounds/${randomUUID()}`]),
  ];
};

interface Layer {
  readonly route?: { readonly path: string; readonly methods: Readonly<Record<string, boolean>> };
  readonly handle: { readonly stack?: readonly Layer[] };
}
/** The routes that Express knows, each by its method and its own part of the address. */
const routesOf = (stack: readonly Layer[]): [string, string][] =>
  stack.flatMap(({ route, handle }) =>
    route
      ? Object.keys(route.methods).map((method): [string, string] => [method.toUpperCase(), route.path])
      : routesOf(handle.stack ?? []),
  );
/** What is of no shop: who is signed in, and what tells of the server. */
const OF_NO_SHOP = /^\/($|demo$|change-over$|phone$|secrets$|api\/|metrics$)/;

it('the addresses that are tried here are all that there are', () => {
  const tried = addresses().map(([method, path]) => `${method} ${path}`);
  const { stack } = app.express.router as unknown as { stack: readonly Layer[] };
  const routes = routesOf(stack).filter(([, path]) => !OF_NO_SHOP.test(path));
  expect(routes.length).toBeGreaterThan(30);
  const untried = routes.filter(([method, path]) => {
    const form = new RegExp(`^${method} .*${path.replace(/:\w+/g, '[^/]+')}$`);
    return !tried.some((one) => form.test(one));
  });
  expect(untried).toEqual([]);
});

it('a session of another shop finds no route into this one', async () => {
  const cookie = app.cookieFor('/api/shops/two');
  for (const [method, path] of addresses()) {
    const answer = await app.ask(method, `/api/shops/one${path}`, method === 'GET' ? undefined : {}, cookie);
    expect([method, path, answer.status, answer.body.errors?.[0].field]).toEqual([method, path, 404, 'shop']);
  }
});

it('what this shop has is not found under the name of the other', async () => {
  const cookie = app.cookieFor('/api/shops/two');
  for (const [method, path] of addresses()) {
    if (!/[0-9a-f]{8}-/.test(path) || method === 'PUT') continue;
    const body = method === 'GET' ? undefined : {};
    const { status } = await app.ask(method, `/api/shops/two${path}`, body, cookie);
    // bodies that do not fit are refused first; nothing else is ever let through
    expect([
      method,
      path,
      [404, 422].includes(status) || (status === 200 && /\/(visits|history|kind|captures)$/.test(path)),
    ]).toEqual([method, path, true]);
  }
  expect((await app.ask('GET', `/api/shops/two/vehicles/${mine.vehicle}/visits`)).body).toEqual([]);
  const piece = await fetch(`${app.url}/api/shops/two/captures/${mine.capture}/pieces/0`, {
    method: 'PUT',
    headers: { cookie, 'content-type': 'application/octet-stream' },
    body: new Uint8Array(Math.min(10, CAPTURE_PIECE_BYTES)),
  });
  expect(piece.status).toBe(404);
});

describe('the database', () => {
  const tables = async (): Promise<string[]> => {
    const { rows } = await app.owner.query(
      "SELECT table_name AS name FROM information_schema.columns WHERE table_schema = 'public' AND column_name = 'shop_id'",
    );
    return rows.map(({ name }) => name as string);
  };

  it('has row-level security forced on every table of a shop', async () => {
    const { rows } = await app.owner.query(
      "SELECT relname FROM pg_class WHERE relname = ANY ($1) AND relkind = 'r' AND NOT (relrowsecurity AND relforcerowsecurity)",
      [await tables()],
    );
    expect(rows).toEqual([]);
    expect((await tables()).length).toBeGreaterThan(20);
  });

  it('shows the application no row of another shop in any table, and none at all outside of a shop', async () => {
    for (const table of await tables()) {
      const count = async (shop: string | null) => {
        const query = () =>
          app.pool.query<{ count: string }>(`SELECT count(*) AS count FROM ${table} WHERE shop_id = 'one'`);
        return Number((await (shop === null ? query() : inShop(shopId(shop), query))).rows[0]!.count);
      };
      expect([table, await count('two'), await count(null)]).toEqual([table, 0, 0]);
    }
    const seen = await inShop(shopId('one'), () => app.pool.query('SELECT 1 FROM reading'));
    expect(seen.rowCount).toBe(1); // the check above can see what is there
  });

  it('lets the application write no row of another shop, and change none', async () => {
    await inShop(shopId('two'), async () => {
      await expect(
        app.pool.query("INSERT INTO vehicle (shop_id, vehicle_id, name) VALUES ('one', gen_random_uuid(), 'Smuggled')"),
      ).rejects.toThrow(/row-level security/);
      expect((await app.pool.query("UPDATE job SET assignee = 'Mallory'")).rowCount).toBe(0);
    });
  });

  it.each([
    ['TRUNCATE reading', /permission denied/],
    ['DELETE FROM reading', /permission denied/],
    ["UPDATE reading SET test = 'ripple-ac'", /permission denied/],
    ["UPDATE act SET entry = ''", /permission denied/],
    ["INSERT INTO shop VALUES ('three', 'Three')", /permission denied/],
    ['ALTER TABLE job DISABLE ROW LEVEL SECURITY', /must be owner/],
    ['DROP TABLE judgement CASCADE', /must be owner/],
    ['CREATE TABLE mine (x int)', /permission denied/],
    ['SET ROLE postgres', /permission denied|does not exist/],
    ['SET session_replication_role = replica', /permission denied/],
  ])('refuses the application %s', async (statement, why) => {
    await expect(inShop(shopId('one'), () => app.pool.query(statement))).rejects.toThrow(why);
  });

  it('a connection that worked for one shop works for the next without a trace of the first', async () => {
    const one = new Pool(new URL(app.ownerUrl).toString(), { warn: () => undefined } as never);
    try {
      const told = () => one.query<{ shop: string }>("SELECT current_setting('tetrad.shop', true) AS shop");
      const shops = [];
      for (const shop of ['one', 'two', 'one']) shops.push((await inShop(shopId(shop), told)).rows[0]!.shop);
      shops.push((await told()).rows[0]!.shop);
      expect(shops).toEqual(['one', 'two', 'one', '']);
    } finally {
      await one.end();
    }
  });
});
