/** Vehicles over time: one record and its history, jobs that move to another vehicle and back, and who may. */
import { randomUUID } from 'node:crypto';
import type { HistoryVisit } from '@tetrad/contracts';
import { addMember, jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
  await addMember(app.pool, 'one', 'Bo', 'apprentice');
});
afterAll(() => app.close());

const shop = '/api/shops/one';
/** Opens a job, of a known vehicle where one is given. @returns its id and its vehicle's. */
async function openJob(vehicle?: string): Promise<{ readonly job: string; readonly vehicle: string }> {
  const body = jobBody();
  if (vehicle !== undefined) body.vehicle = { ...body.vehicle, id: vehicle as typeof body.vehicle.id };
  expect((await app.ask('POST', `${shop}/jobs`, body)).status).toBe(201);
  return { job: body.id, vehicle: body.vehicle.id };
}
const history = async (vehicle: string): Promise<readonly HistoryVisit[]> =>
  (await app.ask('GET', `${shop}/vehicles/${vehicle}/history`)).body;
const listed = async (find: string): Promise<readonly string[]> =>
  (await app.ask('GET', `${shop}/vehicles?find=${encodeURIComponent(find)}`)).body.map(({ id }: { id: string }) => id);

describe('beside the vehicle', () => {
  const petrol = (fuel = 'petrol') => ({
    nominalVolts: 12,
    engine: { cylinders: 4, fuel, displacementLitres: 1.8 },
    battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } },
    alternator: { ratedAmps: 110, regulation: 'fixed' },
  });
  async function charged(volts: number, fuel?: string): Promise<{ vehicle: string; job: string }> {
    const body = { ...jobBody(), system: petrol(fuel) };
    await app.ask('POST', `${shop}/jobs`, body);
    const conditions = { rpm: 2000, loads: 'off' };
    await app.ask('POST', `${shop}/jobs/${body.id}/readings`, readingBody('charging-voltage', volts, { conditions }));
    return { vehicle: body.vehicle.id, job: body.id };
  }

  it('stands what four of five vehicles of its kind show, from five of them on', async () => {
    const own = await charged(12.9);
    const kind = async () => (await app.ask('GET', `${shop}/vehicles/${own.vehicle}/kind`)).body.bands;
    for (const volts of [14.0, 14.1, 14.2, 14.3]) await charged(volts);
    await charged(11.9, 'diesel');
    expect(await kind()).toEqual([]);
    await charged(14.4);
    const [band] = await kind();
    expect(band).toMatchObject({ series: 'charging-voltage', vehicles: 5 });
    expect([band.low > 13.7, band.high < 14.7, band.low < band.high]).toEqual([true, true, true]);
  });

  it('stand its recordings, once they are whole', async () => {
    const { vehicle, job } = await charged(14.1);
    const capture = randomUUID();
    await app.ask('POST', `${shop}/jobs/${job}/captures`, { id: capture, name: 'start.csv', bytes: 4 });
    const listed = async () => (await app.ask('GET', `${shop}/vehicles/${vehicle}/captures`)).body;
    expect(await listed()).toEqual([]);
    await fetch(`${app.url}${shop}/captures/${capture}/pieces/0`, {
      method: 'PUT',
      headers: { cookie: app.cookieFor(shop), 'content-type': 'application/octet-stream' },
      body: new Uint8Array([1, 2, 3, 4]),
    });
    expect(await listed()).toMatchObject([{ id: capture, job, name: 'start.csv', bytes: 4 }]);
  });
});

it('a vehicle has its own address; its group is changed there, found by a search, and noted in the audit log', async () => {
  const { vehicle } = await openJob();
  const at = `${shop}/vehicles/${vehicle}`;
  expect((await app.ask('GET', at)).body).toMatchObject({ id: vehicle, group: null });
  const changed = await app.ask('PATCH', at, { group: 'Night route' });
  expect([changed.status, changed.body.group]).toEqual([200, 'Night route']);
  expect(await listed('night')).toEqual([vehicle]);
  const [act] = (await app.ask('GET', `${shop}/acts`)).body;
  expect(act).toMatchObject({ what: 'vehicle-changed', about: vehicle });
  expect((await app.ask('GET', `${shop}/vehicles/${randomUUID()}`)).status).toBe(404);
});

it.each([
  ['group', { group: 'x'.repeat(41) }],
  ['vin', { vin: 'TOO SHORT' }],
  ['year', { year: 1066 }],
])('a vehicle is not changed by a bad %s', async (field, body) => {
  const { vehicle } = await openJob();
  const answer = await app.ask('PATCH', `${shop}/vehicles/${vehicle}`, body);
  expect([answer.status, answer.body.errors[0].field]).toEqual([422, field]);
  expect((await app.ask('GET', `${shop}/vehicles/${vehicle}`)).body).toMatchObject({ group: null, vin: null });
});

it('its history has each visit with its figures, the oldest first, void readings in none', async () => {
  const first = await openJob();
  const second = await openJob(first.vehicle);
  for (const [test, value] of [
    ['resting-voltage', 12.6],
    ['starter-draw', 150],
  ] as const)
    await app.ask('POST', `${shop}/jobs/${first.job}/readings`, readingBody(test, value));
  const slip = readingBody('starter-draw', 900);
  await app.ask('POST', `${shop}/jobs/${first.job}/readings`, slip);
  await app.ask('POST', `${shop}/jobs/${first.job}/readings/${slip.reading.id}/void`, { reason: 'slip' });
  const [oldest, newest] = await history(first.vehicle);
  expect([oldest!.job, newest!.job]).toEqual([first.job, second.job]);
  const draw = oldest!.measures.before.filter(({ series }) => series === 'starter-draw');
  expect(draw).toEqual([expect.objectContaining({ value: expect.closeTo(150, -1) })]);
  expect(newest!.measures.before).toEqual([]);
});

describe('two records of one vehicle', () => {
  it('become one, with what only one of them knew, and two again', async () => {
    const [one, other] = [await openJob(), await openJob()];
    await app.ask('PATCH', `${shop}/vehicles/${other.vehicle}`, { group: 'Twice' });
    const id = randomUUID();
    const merged = await app.ask('POST', `${shop}/vehicles/${other.vehicle}/moves`, { id, to: one.vehicle });
    expect([merged.status, merged.body]).toEqual([201, { id, moved: 1 }]);
    expect((await history(one.vehicle)).map(({ job }) => job)).toEqual([one.job, other.job]);
    expect(await listed('twice')).toEqual([one.vehicle]);
    expect((await app.ask('POST', `${shop}/vehicle-moves/${id}/undo`, {})).body).toEqual({ id, moved: 1 });
    expect((await history(one.vehicle)).map(({ job }) => job)).toEqual([one.job]);
    expect(await listed('twice')).toEqual([other.vehicle]);
    // once
    expect((await app.ask('POST', `${shop}/vehicle-moves/${id}/undo`, {})).status).toBe(404);
    const acts = (await app.ask('GET', `${shop}/acts`)).body.map(({ what }: { what: string }) => what);
    expect(acts.slice(0, 2)).toEqual(['move-undone', 'vehicles-merged']);
  });

  it('one job alone moves where it is named', async () => {
    const [one, other] = [await openJob(), await openJob()];
    const more = await openJob(other.vehicle);
    const body = { id: randomUUID(), to: one.vehicle, jobs: [more.job] };
    expect((await app.ask('POST', `${shop}/vehicles/${other.vehicle}/moves`, body)).body.moved).toBe(1);
    expect((await history(other.vehicle)).map(({ job }) => job)).toEqual([other.job]);
    expect((await app.ask('GET', `${shop}/jobs/${more.job}`)).body.vehicle.id).toBe(one.vehicle);
  });

  it('a merge stands where an earlier move of one job is taken back', async () => {
    const [one, other] = [await openJob(), await openJob()];
    const more = await openJob(other.vehicle);
    await app.ask('PATCH', `${shop}/vehicles/${other.vehicle}`, { group: 'Merged later' });
    const [move, merge] = [randomUUID(), randomUUID()];
    const at = `${shop}/vehicles/${other.vehicle}/moves`;
    await app.ask('POST', at, { id: move, to: one.vehicle, jobs: [more.job] });
    await app.ask('POST', at, { id: merge, to: one.vehicle });
    await app.ask('POST', `${shop}/vehicle-moves/${move}/undo`, {});
    expect(await listed('merged later')).toEqual([one.vehicle]);
    await app.ask('POST', `${shop}/vehicle-moves/${merge}/undo`, {});
    expect(await listed('merged later')).toEqual([other.vehicle]);
  });

  it('bad input moves nothing: itself, a vehicle that is none, no jobs, an apprentice', async () => {
    const [one, other] = [await openJob(), await openJob()];
    const at = `${shop}/vehicles/${one.vehicle}/moves`;
    for (const [field, body] of [
      ['to', { id: randomUUID(), to: one.vehicle }],
      ['to', { id: randomUUID(), to: randomUUID() }],
      ['jobs', { id: randomUUID(), to: other.vehicle, jobs: [] }],
    ] as const) {
      const answer = await app.ask('POST', at, body);
      expect([answer.status, answer.body.errors[0].field]).toEqual([422, field]);
    }
    const apprentice = await app.signIn('one', 'Bo');
    expect((await app.ask('POST', at, { id: randomUUID(), to: other.vehicle }, apprentice)).status).toBe(403);
    expect((await history(one.vehicle)).map(({ job }) => job)).toEqual([one.job]);
  });
});

describe('a list of vehicles is brought in', () => {
  const send = (rows: readonly object[], isApplied: boolean, id = randomUUID()) =>
    app.ask('POST', `${shop}/vehicle-imports`, { id, rows, isApplied });
  const GOOD_VIN = '1M8GDM9AXKP042788';

  it('told first, then stored, and all of it undone', async () => {
    const { vehicle } = await openJob();
    await app.ask('PATCH', `${shop}/vehicles/${vehicle}`, { plate: 'IM-1' });
    const rows = [
      { name: 'Known by its plate', plate: 'im 1', group: 'Imported' },
      { name: 'New one', plate: 'IM-2', vin: GOOD_VIN, year: 1989, group: 'Imported' },
    ];
    const told = await send(rows, false);
    expect(told.body.rows.map(({ what }: { what: string }) => what)).toEqual(['changed', 'new']);
    expect(told.body.rows[0].changes).toMatchObject({ name: [expect.any(String), 'Known by its plate'] });
    expect(await listed('imported')).toEqual([]);
    const before = (await app.ask('GET', `${shop}/vehicles/${vehicle}`)).body;
    const id = randomUUID();
    expect((await send(rows, true, id)).status).toBe(201);
    expect(await listed('imported')).toHaveLength(2);
    // the same list again changes nothing
    expect((await send(rows, false)).body.rows.map(({ what }: { what: string }) => what)).toEqual(['same', 'same']);
    expect((await app.ask('POST', `${shop}/vehicle-imports/${id}/undo`, {})).status).toBe(200);
    expect(await listed('imported')).toEqual([]);
    expect((await app.ask('GET', `${shop}/vehicles/${vehicle}`)).body).toEqual(before);
    expect((await app.ask('POST', `${shop}/vehicle-imports/${id}/undo`, {})).status).toBe(404);
  });

  it.each([
    [
      'rows[1].plate',
      [
        { name: 'A', plate: 'XX-1' },
        { name: 'B', plate: 'xx 1' },
      ],
    ],
    ['rows[0].vin', [{ name: 'A', vin: '1M8GDM9AXKP04278O' }]],
    ['rows[0].year', [{ name: 'A', year: 88 }]],
    ['rows[0].batteryFittedOn', [{ name: 'A', batteryFittedOn: '31.12.2025' }]],
    ['rows[0].batteryFittedOn', [{ name: 'A', batteryFittedOn: '2025-02-30' }]],
    ['rows[0].batteryFittedOn', [{ name: 'A', batteryFittedOn: '2100-01-01' }]],
    ['rows[0].color', [{ name: 'A', color: 'red' }]],
    ['rows[1].name', [{ name: 'A' }, { name: '' }]],
    ['rows', []],
  ])('bad input names its row and field and stores nothing: %s', async (field, rows) => {
    const answer = await send(rows, true);
    expect([answer.status, answer.body.errors[0].field]).toEqual([422, field]);
    expect(await listed('XX-1')).toEqual([]);
  });

  it('a VIN whose check digit does not fit is allowed, and doubted', async () => {
    const [row] = (await send([{ name: 'A', vin: GOOD_VIN.replace('X', '1') }], false)).body.rows;
    expect(row).toMatchObject({ what: 'new', doubt: expect.stringContaining('check digit') });
  });
});
