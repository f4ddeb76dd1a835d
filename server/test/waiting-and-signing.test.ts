import { randomUUID } from 'node:crypto';
import type { JobView, VisitView } from '@tetrad/contracts';
import { addMember, jobBody, readingBody, startApplication } from './application';
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
  await app.ask('POST', '/api/shops/one/jobs', opened);
  path = `/api/shops/one/jobs/${opened.id}`;
});

describe('timers', () => {
  test('a charge ends with the resting reading after it, the sleep of the modules does not, and a repeat ends nothing more', async () => {
    for (const kind of ['charge', 'sleep']) await app.ask('POST', `${path}/timers`, { id: randomUUID(), kind });
    const reading = readingBody('resting-voltage', 12.7);
    const { body } = await app.ask('POST', `${path}/readings`, reading);
    expect((body as JobView).timers.map(({ kind }) => kind)).toEqual(['sleep']);
    await app.ask('POST', `${path}/timers`, { id: randomUUID(), kind: 'charge' });
    const again = await app.ask('POST', `${path}/readings`, reading);
    expect((again.body as JobView).timers.map(({ kind }) => kind)).toEqual(['sleep', 'charge']);
  });

  test('a wait that began while the server was away counts from when it began', async () => {
    const { body } = await app.ask('POST', `${path}/timers`, { id: randomUUID(), kind: 'settle', secondsAgo: 100 });
    const [timer] = (body as JobView).timers;
    expect(timer).toMatchObject({ kind: 'settle', seconds: 150 });
    const { body: clock } = await app.ask('GET', '/api/clock');
    expect((clock.now - Date.parse(timer!.startedAt)) / 1000).toBeGreaterThanOrEqual(100);
  });

  test('the same timer sent twice is one timer; a second of its kind takes its place', async () => {
    const start = { id: randomUUID(), kind: 'charge', seconds: 7200 };
    await app.ask('POST', `${path}/timers`, start);
    await app.ask('POST', `${path}/timers`, start);
    const again = { ...start, id: randomUUID(), seconds: 3600 };
    const { body } = await app.ask('POST', `${path}/timers`, again);
    expect((body as JobView).timers.map(({ id, seconds }) => [id, seconds])).toEqual([[again.id, 3600]]);
  });

  test('a count keeps its own length, whatever is asked', async () => {
    const { body } = await app.ask('POST', `${path}/timers`, { id: randomUUID(), kind: 'crank', seconds: 500 });
    expect((body as JobView).timers[0]!.seconds).toBe(15);
  });

  test('one that has run out stays until somebody puts it away, and the floor shows it', async () => {
    const id = randomUUID();
    await app.ask('POST', `${path}/timers`, { id, kind: 'settle', secondsAgo: 1000 });
    const floor = (await app.ask('GET', '/api/shops/one/jobs')).body as { id: string; timer: { id: string } | null }[];
    expect(floor.find((row) => row.id === opened.id)?.timer?.id).toBe(id);
    const { body } = await app.ask('POST', `${path}/timers/${id}/stop`);
    expect((body as JobView).timers).toEqual([]);
  });

  test.each([
    [{ id: randomUUID(), kind: 'lunch' }, 'kind', 'lamps-on'],
    [{ id: randomUUID(), kind: 'charge', seconds: 0 }, 'seconds', 'whole seconds'],
    [{ id: 'x', kind: 'charge' }, 'id', 'UUID'],
  ])('%j is refused by field', async (body, field, allowed) => {
    const answer = await app.ask('POST', `${path}/timers`, body);
    expect(answer.status).toBe(422);
    expect(answer.body.errors[0]).toMatchObject({ field, allowed: expect.stringContaining(allowed) });
  });
});

/** Another technician of the shop. */
async function asBo(): Promise<string> {
  bo ??= addMember(app.pool, 'one', 'Bo', 'technician').then(() => app.signIn('one', 'Bo'));
  return bo;
}
let bo: Promise<string> | null = null;

test('a caution is acknowledged once: the first name and time stay', async () => {
  await app.ask('POST', `${path}/acknowledgements`, { caution: 'cranking' });
  const { body } = await app.ask('POST', `${path}/acknowledgements`, { caution: 'cranking' }, await asBo());
  expect((body as JobView).acknowledgements).toMatchObject([{ caution: 'cranking', by: 'Ada' }]);
});

test('an acknowledgement taken back counts no longer, can be given anew, and its row stays', async () => {
  const ask = (what: string, body?: unknown, cookie?: string) =>
    app.ask('POST', `${path}/acknowledgements${what}`, body, cookie);
  await ask('', { caution: 'acid' });
  for (let i = 0; i < 2; i++) {
    const { status, body } = await ask('/acid/take-back');
    expect([status, (body as JobView).acknowledgements.some(({ caution }) => caution === 'acid')]).toEqual([
      200,
      false,
    ]);
  }
  const anew = (await ask('', { caution: 'acid' }, await asBo())).body as JobView;
  expect(anew.acknowledgements.filter(({ caution }) => caution === 'acid')).toMatchObject([{ by: 'Bo' }]);
  const { rows } = await app.owner.query(
    "SELECT acknowledged_by FROM acknowledgement WHERE job_id = $1 AND caution = 'acid' ORDER BY seq",
    [opened.id],
  );
  expect(rows.map((row) => row.acknowledged_by)).toEqual(['Ada', 'Bo']);
  await expect(app.owner.query('DELETE FROM acknowledgement_taken_back')).rejects.toThrow('append-only');
});

test('a caution nobody acknowledged has nothing to take back; one that is none is refused with those there are', async () => {
  const ask = (caution: string) => app.ask('POST', `${path}/acknowledgements/${caution}/take-back`);
  expect((await ask('acid')).status).toBe(404);
  const refused = await ask('weather');
  expect([refused.status, refused.body.errors]).toEqual([
    422,
    [expect.objectContaining({ field: 'caution', allowed: expect.stringContaining('acid') })],
  ]);
});

describe('sign-off', () => {
  const signOff = (more: object = {}) => ({
    id: randomUUID(),
    action: 'replace',
    part: 'battery',
    conclusion: 'Battery worn.',
    partsFitted: ['battery 560 A'],
    ...more,
  });

  test('another decision than the judge’s needs its reason; then both are kept, and the job is closed', async () => {
    const refused = await app.ask('POST', `${path}/sign-offs`, signOff());
    expect(refused.status).toBe(422);
    expect(refused.body.errors[0]).toMatchObject({ field: 'reason', found: 'nothing' });
    expect((await app.ask('GET', path)).body.signOff).toBeNull();
    const { body } = await app.ask('POST', `${path}/sign-offs`, signOff({ reason: 'The case leaks.' }));
    expect((body as JobView).signOff).toMatchObject({
      action: 'replace',
      part: 'battery',
      reason: 'The case leaks.',
      judged: { action: 'test-next' },
    });
    expect(body.status).toBe('closed');
  });

  test('no sign-off is overwritten: the newest counts, the older stays stored', async () => {
    await app.ask('POST', `${path}/sign-offs`, signOff({ reason: 'First.' }));
    await app.ask('POST', `${path}/sign-offs`, signOff({ reason: 'Second.', conclusion: 'Wrong at first.' }));
    expect((await app.ask('GET', path)).body.signOff.conclusion).toBe('Wrong at first.');
    const { rows } = await app.owner.query('SELECT reason FROM sign_off WHERE job_id = $1 ORDER BY seq', [opened.id]);
    expect(rows).toEqual([{ reason: 'First.' }, { reason: 'Second.' }]);
    await expect(app.owner.query('DELETE FROM sign_off WHERE job_id = $1', [opened.id])).rejects.toThrow('append-only');
  });

  test('fields that do not fit are each named', async () => {
    const { body } = await app.ask(
      'POST',
      `${path}/sign-offs`,
      signOff({ action: 'burn', part: 'horn', conclusion: '' }),
    );
    expect(body.errors.map(({ field }: { field: string }) => field).sort()).toEqual(['action', 'conclusion', 'part']);
  });
});

describe('the vehicle', () => {
  test('VIN and year are added to the vehicle of a job, and found at its next visit', async () => {
    const vehicle = { vin: '1M8GDM9AXKP042788', year: 1989 };
    await app.ask('PATCH', path, { version: 1, vehicle });
    const next = { ...jobBody(), vehicle: opened.vehicle };
    const { body } = await app.ask('POST', '/api/shops/one/jobs', next);
    expect(body.vehicle).toMatchObject(vehicle);
    const visits = (await app.ask('GET', `/api/shops/one/vehicles/${opened.vehicle.id}/visits`)).body as VisitView[];
    expect(visits.map(({ job }) => job)).toEqual([next.id, opened.id]);
    expect(visits[0]!.system.battery.chemistry).toBe('flooded');
  });

  test('a VIN with the letter O is refused by field, and nothing else is changed either', async () => {
    const answer = await app.ask('PATCH', path, { version: 1, assignee: 'Bo', vehicle: { vin: '1M8GDM9AXKPO42788' } });
    expect(answer.body.errors[0]).toMatchObject({ field: 'vehicle.vin' });
    expect((await app.ask('GET', path)).body.assignee).toBeNull();
  });
});

test('after the repair the readings of both passes are compared, test by test', async () => {
  const read = (test: string, value: number, pass: 'before' | 'after', conditions: object = {}) =>
    app.ask('POST', `${path}/readings`, readingBody(test, value, { pass, conditions }));
  await read('resting-voltage', 12.6, 'before', { surfaceChargeRemoved: true });
  await read('cranking-voltage', 8.2, 'before', { method: 'min-max' });
  await app.ask('PATCH', path, { version: 1, pass: 'after' });
  await read('resting-voltage', 12.7, 'after', { surfaceChargeRemoved: true });
  const { body } = await read('cranking-voltage', 10.4, 'after', { method: 'min-max' });
  expect(body.pass).toBe('after');
  expect(body.judgement.comparison).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ test: 'cranking-voltage', before: 8.2, after: 10.4, solved: true }),
    ]),
  );
});
