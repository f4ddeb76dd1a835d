/** Every operation that writes leaves an entry in the audit log, or is named here with the reason why it leaves none. */
import { randomUUID } from 'node:crypto';
import { BALANCED, CRITERIA_FORMAT, SimulatedVisit, startRecord, writeDialect } from '@tetrad/core';
import { analyzeRecording, readCapture } from '@tetrad/core/capture';
import { OPERATIONS, patternOf } from '@tetrad/contracts/operations';
import { PASSWORD, addMember, jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
  await addMember(app.pool, 'one', 'Bo', 'technician');
});
afterAll(() => app.close());

const shop = '/api/shops/one';

const record = startRecord(new SimulatedVisit({ faults: ['none'], seed: 3 }).vehicle, {
  sampleRateHz: 500,
  crankS: 2,
  afterS: 2,
});
const FOUND = analyzeRecording(readCapture(Buffer.from([...writeDialect(record)].join(''))), { cylinders: 4 });

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

type Step = readonly [id: string, method: string, path: string, body?: object];

/** One of each write, in an order in which each is possible. */
function steps(): readonly Step[] {
  const [first, second] = [jobBody(), jobBody()];
  const job = `${shop}/jobs/${first.id}`;
  const reading = readingBody('resting-voltage', 12.6);
  const [observation, timer, capture, instrument, person, plan, figures, key, hook, list, move] = Array.from(
    { length: 11 },
    () => randomUUID(),
  );
  const set = { ...BALANCED, format: CRITERIA_FORMAT, id: 'ours', version: 1 };
  const rows = [{ name: 'Listed van', plate: 'LIST 1' }];
  const system = { ...first.system, specified: { starterDrawAmps: { min: 90, max: 180 } } };
  const case1 = { format: 'tetrad-case/1', system: first.system, readings: [] };
  const check = { vehicle: first.vehicle, system: first.system, readings: [reading.reading], observations: [] };
  const signOff = { id: randomUUID(), action: 'charge-first', part: 'battery', conclusion: 'x', partsFitted: [] };
  return [
    ['openJob', 'POST', `${shop}/jobs`, first],
    ['openJob', 'POST', `${shop}/jobs`, second],
    ['addReading', 'POST', `${job}/readings`, reading],
    ['voidReading', 'POST', `${job}/readings/${reading.reading.id}/void`, { reason: 'slip' }],
    [
      'addObservation',
      'POST',
      `${job}/observations`,
      { id: observation, observation: { about: 'belt', finding: 'good' } },
    ],
    ['takeBackObservation', 'POST', `${job}/observations/${observation}/take-back`, {}],
    ['startTimer', 'POST', `${job}/timers`, { id: timer, kind: 'cool-down' }],
    ['stopTimer', 'POST', `${job}/timers/${timer}/stop`, {}],
    ['acknowledge', 'POST', `${job}/acknowledgements`, { caution: 'acid' }],
    ['takeBackAcknowledgement', 'POST', `${job}/acknowledgements/acid/take-back`, {}],
    ['announceCapture', 'POST', `${job}/captures`, { id: capture, name: 'start.csv', bytes: 4 }],
    ['storeFound', 'POST', `${shop}/captures/${capture}/found`, { found: FOUND }],
    ['changeJob', 'PATCH', job, { version: 1, assignee: 'Bo' }],
    ['signOff', 'POST', `${job}/sign-offs`, { ...signOff, reason: 'as seen' }],
    ['recordOutcome', 'POST', `${job}/outcomes`, { id: randomUUID(), complaint: 'gone' }],
    ['importCase', 'POST', `${shop}/cases`, case1],
    ['checkVehicle', 'POST', `${shop}/jobs/${randomUUID()}/round-check`, check],
    ['changeVehicle', 'PATCH', `${shop}/vehicles/${first.vehicle.id}`, { group: 'Vans' }],
    ['noteUse', 'PUT', `${shop}/vehicles/${first.vehicle.id}/uses/${randomUUID()}`, { km: 1000 }],
    ['moveJobs', 'POST', `${shop}/vehicles/${second.vehicle.id}/moves`, { id: move, to: first.vehicle.id }],
    ['undoMove', 'POST', `${shop}/vehicle-moves/${move}/undo`, {}],
    ['importVehicles', 'POST', `${shop}/vehicle-imports`, { id: list, rows, isApplied: true }],
    ['undoImport', 'POST', `${shop}/vehicle-imports/${list}/undo`, {}],
    ['putRound', 'PUT', `${shop}/rounds/${plan}`, { group: 'Vans', everyDays: 60 }],
    ['endRound', 'DELETE', `${shop}/rounds/${plan}`],
    ['putMakerFigures', 'PUT', `${shop}/maker-figures/${figures}`, { name: 'Engine', source: 'book', system }],
    ['removeMakerFigures', 'DELETE', `${shop}/maker-figures/${figures}`],
    ['importMakerFigures', 'POST', `${shop}/maker-figure-imports`, { rows: [{ name: 'E', source: 'b', system }] }],
    ['saveCriteria', 'POST', `${shop}/criteria`, { document: set, follows: 0, isMeant: true }],
    ['putCriteriaInForce', 'POST', `${shop}/criteria/ours/versions/1/in-force`, {}],
    ['chooseCriteria', 'PUT', `${shop}/criteria/usual`, { id: 'careful' }],
    ['putInstrument', 'PUT', `${shop}/instruments/${instrument}`, { name: 'Meter', kind: 'meter', uncertainty: {} }],
    ['checkInstrument', 'POST', `${shop}/instruments/${instrument}/checks`, { id: randomUUID(), findings: {} }],
    ['changeSettings', 'PUT', `${shop}/settings`, { forgetsAtSignOut: false }],
    ['addPerson', 'POST', `${shop}/people`, { id: person, name: 'Ida', role: 'lead' }],
    ['changePerson', 'PATCH', `${shop}/people/${person}`, { role: 'technician' }],
    ['resetPassword', 'POST', `${shop}/people/${person}/one-time-password`, {}],
    ['endSessions', 'POST', `${shop}/people/${person}/end-sessions`, {}],
    ['addApiKey', 'POST', `${shop}/api-keys`, { id: key, name: 'Fleet office', role: 'lead', days: 30 }],
    ['revokeApiKey', 'DELETE', `${shop}/api-keys/${key}`],
    ['putWebhook', 'PUT', `${shop}/webhooks/${hook}`, { url: 'https://files.example/', events: ['round.due'] }],
    ['testWebhook', 'POST', `${shop}/webhooks/${hook}/test`, {}],
    ['removeWebhook', 'DELETE', `${shop}/webhooks/${hook}`],
  ];
}

const storePiece = (path: string) =>
  fetch(app.url + path, {
    method: 'PUT',
    headers: { cookie: app.cookieFor(shop), 'content-type': 'application/octet-stream' },
    body: new Uint8Array([1, 2, 3, 4]),
  });

const entries = async (): Promise<number> =>
  Number((await app.owner.query("SELECT count(*) AS count FROM act WHERE shop_id = 'one'")).rows[0].count);

/** The operation of the table that an address is. */
const operationOf = (method: string, path: string): string =>
  OPERATIONS.find((one) => one.method === method && patternOf(one).test(path))?.id ?? `none for ${method} ${path}`;

it('goes over the route table', async () => {
  const noted = new Set<string>();
  for (const [name, method, path, body] of steps()) {
    if (name === 'storeFound') await storePiece(path.replace('/found', '/pieces/0'));
    const before = await entries();
    const { status, body: said } = await app.ask(method, path, body);
    expect([name, status, status < 300 ? null : said.detail]).toEqual([name, status, null]);
    expect([name, (await entries()) - before]).toEqual([name, 1]);
    noted.add(operationOf(method, path));
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
    noted.add(operationOf(method, path));
  }
  const again = await app.ask('POST', '/api/session', { shop: 'one', name: 'Bo', password: NEW }, '');
  expect(again.status).toBe(201);
  noted.add('signIn');
  const [session] = (await app.ask('GET', `${shop}/people/${bo}/sessions`)).body as { id: string }[];
  const before = await entries();
  expect((await app.ask('DELETE', `${shop}/people/${bo}/sessions/${session!.id}`)).status).toBe(204);
  expect((await entries()) - before).toBe(1);
  noted.add(operationOf('DELETE', `${shop}/people/${bo}/sessions/${session!.id}`));

  const writes = OPERATIONS.filter(({ method }) => method !== 'GET').map(({ id }) => id);
  expect(writes.filter((id) => !noted.has(id) && !(id in WITHOUT_ENTRY))).toEqual([]);
  expect(Object.keys(WITHOUT_ENTRY).filter((id) => !writes.includes(id))).toEqual([]);
}, 60_000);
