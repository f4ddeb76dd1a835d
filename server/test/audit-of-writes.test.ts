/** Every operation that writes leaves an entry in the audit log, or is named here with the reason why it leaves none. */
import { OPERATIONS } from '@tetrad/contracts/operations';
import type { OperationId } from '@tetrad/contracts/operations';
import { PASSWORD, addMember, startApplication } from './application';
import type { Application } from './application';
import { everyWrite } from './every-write';
import { operationAsked } from './operation-asked';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
  await addMember(app.pool, 'one', 'Bo', 'technician');
});
afterAll(() => app.close());

const shop = '/api/shops/one';

/** Operations that leave no entry, and why. */
const WITHOUT_ENTRY: Readonly<Record<string, string>> = {
  checkCriteria: 'stores nothing',
  rejudge: 'stores nothing',
  zeroInstrument: 'stores nothing: the instrument itself is zeroed',
  recordInstrument: 'stores nothing: its answer becomes a capture, which is noted',
  moveSimulatedVehicle: 'stores nothing: a stand-in of the demo is moved',
  storePiece: 'is a part of a file whose announcement is noted',
  putPracticeResult: 'is practice: nothing of the shop depends on it',
  pairPhone: 'shows a code; the phone that comes by it is noted',
  joinByPhone: 'is noted by its own name as phone-paired, and needs a code that is shown',
  signInToDemo: 'is there in the demo alone',
  switchUser: 'is noted as switched-user, and needs a device that somebody signed in',
};

const storePiece = (path: string) =>
  fetch(app.url + path, {
    method: 'PUT',
    headers: { cookie: app.cookieFor(shop), 'content-type': 'application/octet-stream' },
    body: new Uint8Array([1, 2, 3, 4]),
  });

const entries = async (): Promise<number> =>
  Number((await app.owner.query("SELECT count(*) AS count FROM act WHERE shop_id = 'one'")).rows[0].count);

it('goes over the route table', async () => {
  const noted = new Set<OperationId>();
  for (const [name, method, path, body] of everyWrite()) {
    if (name === 'storeFound') await storePiece(path.replace('/found', '/pieces/0'));
    const before = await entries();
    const { status, body: said } = await app.ask(method, path, body);
    expect([name, status, status < 300 ? null : said.detail]).toEqual([name, status, null]);
    expect([name, (await entries()) - before]).toEqual([name, 1]);
    noted.add(operationAsked(method, path).id);
  }
  // what belongs to a session of its own
  const people = (await app.ask('GET', `${shop}/people`)).body as { id: string; name: string }[];
  const bo = people.find(({ name }) => name === 'Bo')!.id;
  const NEW = 'another correct horse';
  const own: [string, string, string, object?][] = [
    [PASSWORD, 'PUT', '/api/session/secrets', { password: PASSWORD, newPassword: NEW }],
    [NEW, 'DELETE', '/api/session'],
  ];
  for (const [password, method, path, body] of own) {
    const cookie = await app.signIn('one', 'Bo', password);
    const before = await entries();
    const { status, body: said } = await app.ask(method, path, body, cookie);
    expect([path, status < 300 ? null : said]).toEqual([path, null]);
    expect([path, (await entries()) - before]).toEqual([path, 1]);
    noted.add(operationAsked(method, path).id);
  }
  const again = await app.ask('POST', '/api/session', { shop: 'one', name: 'Bo', password: NEW }, '');
  expect(again.status).toBe(201);
  noted.add('signIn');
  const [session] = (await app.ask('GET', `${shop}/people/${bo}/sessions`)).body as { id: string }[];
  const before = await entries();
  expect((await app.ask('DELETE', `${shop}/people/${bo}/sessions/${session!.id}`)).status).toBe(204);
  expect((await entries()) - before).toBe(1);
  noted.add(operationAsked('DELETE', `${shop}/people/${bo}/sessions/${session!.id}`).id);

  const writes = OPERATIONS.filter(({ method }) => method !== 'GET').map(({ id }) => id);
  expect(writes.filter((id) => !noted.has(id) && !(id in WITHOUT_ENTRY))).toEqual([]);
  expect(Object.keys(WITHOUT_ENTRY).filter((id) => !writes.includes(id as OperationId))).toEqual([]);
}, 60_000);
