/** Rounds: which vehicles of a group are due, by their newest job, as a list and as a calendar. */
import { randomUUID } from 'node:crypto';
import { sheetWords } from '@tetrad/contracts';
import type { RoundVehicle, RoundView, SheetRow } from '@tetrad/contracts';
import { figureFormat } from '@tetrad/core';
import { addMember, pagesOf, jobBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
  await addMember(app.pool, 'one', 'Bo', 'apprentice');
});
afterAll(() => app.close());

const shop = '/api/shops/one';
const put = (body: object, id = randomUUID()) => app.ask('PUT', `${shop}/rounds/${id}`, body);
const vehiclesOf = async (plan: string): Promise<RoundVehicle[]> =>
  (await app.ask('GET', `${shop}/rounds/${plan}/vehicles`)).body;
async function vehicleOf(group: string, openedDaysAgo: number | null): Promise<string> {
  const body = jobBody();
  await app.ask('POST', `${shop}/jobs`, body);
  await app.ask('PATCH', `${shop}/vehicles/${body.vehicle.id}`, { group });
  if (openedDaysAgo !== null)
    await app.owner.query(`UPDATE job SET opened_at = now() - $2 * interval '1 day' WHERE job_id = $1`, [
      body.id,
      openedDaysAgo,
    ]);
  return body.vehicle.id;
}
const day = (inDays: number): string => new Date(Date.now() + inDays * 86_400_000).toISOString().slice(0, 10);

it('a vehicle is due so many days after its newest job; what is due first stands first', async () => {
  const [fresh, old] = [await vehicleOf('North', 10), await vehicleOf('North', 80)];
  await vehicleOf('South', 500);
  const id = randomUUID();
  const planned = await put({ group: 'north', everyDays: 60, assignee: 'Bo' }, id);
  expect(planned.status).toBe(200);
  const [round] = (await app.ask('GET', `${shop}/rounds`)).body as RoundView[];
  expect(round).toMatchObject({ id, group: 'north', everyDays: 60, assignee: 'Bo', vehicles: 2, due: 1 });
  const vehicles = await vehiclesOf(id);
  expect(vehicles.map(({ vehicle }) => vehicle.id)).toEqual([old, fresh]);
  const near = (told: string | null, inDays: number): boolean =>
    [day(inDays - 1), day(inDays), day(inDays + 1)].includes(told!);
  expect(vehicles.map(({ dueOn }, at) => near(dueOn, [-20, 50][at]!))).toEqual([true, true]);
  for (const { lastVisit } of vehicles)
    expect(new Date(lastVisit!).toISOString().slice(0, 16)).toBe(lastVisit!.slice(0, 16));
  // a page of one, and the one that follows
  const first = await fetch(`${app.url}${shop}/rounds/${id}/vehicles?limit=1`, {
    headers: { cookie: app.cookieFor(shop) },
  });
  const [, next] = /<([^>]+)>/.exec(first.headers.get('link') ?? '')!;
  expect((await app.ask('GET', next!)).body.map(({ vehicle }: RoundVehicle) => vehicle.id)).toEqual([fresh]);
  // another interval, then none
  expect((await put({ group: 'north', everyDays: 365 }, id)).body).toMatchObject({ due: 0, everyDays: 365 });
  expect((await app.ask('DELETE', `${shop}/rounds/${id}`)).status).toBe(204);
  expect((await app.ask('GET', `${shop}/rounds`)).body).toEqual([]);
  expect((await app.ask('DELETE', `${shop}/rounds/${id}`)).status).toBe(404);
});

it('by kilometers a vehicle is due when what its odometer showed says so', async () => {
  const id = randomUUID();
  const vehicle = await vehicleOf('Coast', 100);
  await put({ group: 'Coast', everyKm: 5000 }, id);
  expect(await vehiclesOf(id)).toMatchObject([{ dueOn: null, use: null }]);
  const note = (km: number) => app.ask('PUT', `${shop}/vehicles/${vehicle}/uses/${randomUUID()}`, { km });
  expect((await note(80_000)).status).toBe(204);
  await app.owner.query(
    `SET session_replication_role = replica; UPDATE vehicle_use SET used_on = used_on - 90 WHERE vehicle_id = '${vehicle}';
     RESET session_replication_role`,
  );
  await note(89_000);
  const [round] = await vehiclesOf(id);
  expect(round).toMatchObject({ by: 'km', use: { km: 89_000 } });
  expect(round!.dueOn! < day(0)).toBe(true);
  expect((await app.ask('PUT', `${shop}/vehicles/${vehicle}/uses/${randomUUID()}`, {})).body.errors[0].field).toBe(
    'km',
  );
});

it('the calendar has one entry a round and day, which names the vehicles (RFC 5545)', async () => {
  await vehicleOf('Calendar', 0);
  await vehicleOf('Calendar', 0);
  const { body } = await put({ group: 'Calendar', everyDays: 30 });
  const answer = await fetch(`${app.url}${shop}/rounds.ics`, { headers: { cookie: app.cookieFor(shop) } });
  expect(answer.headers.get('content-type')).toContain('text/calendar');
  const lines = (await answer.text()).split('\r\n');
  expect(lines[0]).toBe('BEGIN:VCALENDAR');
  expect(lines.filter((line) => line.startsWith(`UID:${body.id}`))).toHaveLength(1);
  const at = lines.findIndex((line) => line.startsWith(`UID:${body.id}`));
  const entry = lines.slice(at, lines.indexOf('END:VEVENT', at));
  expect(entry.find((line) => line.startsWith('DTSTART'))).toContain(body.nextOn.replaceAll('-', ''));
  expect(entry.find((line) => line.startsWith('SUMMARY'))).toBe('SUMMARY:Battery check: Calendar\\, 2 vehicles');
  // a whole day ends with the next; P1DT would be no duration
  expect(entry.some((line) => line.startsWith('DTEND;VALUE=DATE'))).toBe(true);
  expect(entry.some((line) => line.startsWith('DURATION'))).toBe(false);
});

const SYSTEM = {
  nominalVolts: 12,
  engine: { cylinders: 4, fuel: 'petrol', displacementLitres: 1.8 },
  battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' }, capacityAh: 60 },
  alternator: { ratedAmps: 110, regulation: 'fixed' },
};
const checkBody = (vehicle: string, crankingVolts = 10.7, more: object = {}) => ({
  vehicle: { id: vehicle, name: 'Yard van' },
  system: SYSTEM,
  conditions: { ambientCelsius: 18 },
  readings: [
    { id: 'r1', test: 'resting-voltage', value: 12.66, conditions: { surfaceChargeRemoved: true } },
    { id: 'r2', test: 'cranking-voltage', value: crankingVolts, conditions: { method: 'min-max', seconds: 8 } },
    { id: 'r3', test: 'charging-voltage', value: 14.2, conditions: { rpm: 2000, loads: 'off' } },
    { id: 'r4', test: 'ripple-ac', value: 0.03, conditions: { rpm: 2000, loads: 'on', at: 'battery' } },
  ],
  observations: [
    { id: randomUUID(), observation: { about: 'terminals', finding: 'clean' } },
    { id: randomUUID(), observation: { about: 'belt', finding: 'good' } },
  ],
  ...more,
});
const check = (body: object, job = randomUUID()) => app.ask('POST', `${shop}/jobs/${job}/round-check`, body);

it('a check that finds the vehicle clearly sound is closed; any other opens a job with what was read', async () => {
  const vehicle = await vehicleOf('Yard', 300);
  const job = randomUUID();
  const sound = await check(checkBody(vehicle, 10.7, { km: 1200, comment: 'quiet' }), job);
  expect([sound.status, sound.body.status, sound.body.case.readings.length]).toEqual([201, 'closed', 4]);
  // a repeat is stored once
  expect((await check(checkBody(vehicle), job)).status).toBe(409);
  const weak = await check(checkBody(vehicle, 8.6));
  expect([weak.body.status, weak.body.assignee, weak.body.case.readings.length]).toEqual(['open', 'Ada', 4]);
  const acts = await app.ask('GET', `${shop}/acts`);
  expect(acts.body.filter(({ what }: { what: string }) => what === 'round-checked')).toHaveLength(2);
});

it('a check that names a reading twice says which, and stores nothing', async () => {
  const body = checkBody(await vehicleOf('Yard', 300));
  const [first] = body.readings;
  const answer = await check({ ...body, readings: [...body.readings, { ...first, value: 12.5 }] });
  expect([answer.status, answer.body.errors[0]]).toEqual([
    422,
    { field: 'readings[4].id', found: 'r1, as in readings[0]', allowed: 'each id once' },
  ]);
});

it('of a check that does not fit nothing is stored', async () => {
  const vehicle = randomUUID();
  const job = randomUUID();
  const readings = [{ id: 'r1', test: 'resting-voltage', value: 1266 }];
  const answer = await check(checkBody(vehicle, 10, { readings }), job);
  expect([answer.status, answer.body.errors[0].field]).toEqual([422, 'readings[0].value']);
  expect((await app.ask('GET', `${shop}/jobs/${job}`)).status).toBe(404);
  expect((await app.ask('GET', `${shop}/vehicles/${vehicle}`)).status).toBe(404);
});

it('the sheet has every vehicle by urgency, with what changed since the visit before', async () => {
  const id = randomUUID();
  const [weak, sound, never] = [
    await vehicleOf('Sheet', 300),
    await vehicleOf('Sheet', 300),
    await vehicleOf('Sheet', 300),
  ];
  await put({ group: 'Sheet', everyDays: 200 }, id);
  for (const vehicle of [weak, sound]) await check(checkBody(vehicle, 10.7, { secondsAgo: 86_400 }));
  await check(checkBody(weak, 8.6, { comment: 'dragging' }));
  await check(checkBody(sound, 10.68));
  const sheet = (await app.ask('GET', `${shop}/rounds/${id}/sheet`)).body as SheetRow[];
  const rank = new Map(sheet.map((row, at) => [row.vehicle.id, at]));
  expect(rank.get(weak)! < rank.get(sound)!).toBe(true);
  expect(sheet.find((row) => row.vehicle.id === never)).toMatchObject({ isOpen: true, urgency: 'doubtful' });
  const words = (vehicle: string) =>
    sheetWords(
      sheet.find((row) => row.vehicle.id === vehicle)!,
      figureFormat(),
    );
  expect(words(weak)).toMatchObject({ changed: 'Cranking 10.70 V → 8.60 V', comment: 'dragging' });
  expect(words(sound)).toMatchObject({ urgency: 'Sound', changed: 'No change' });
  const pages = await pagesOf<SheetRow>(app, `${shop}/rounds/${id}/sheet?limit=2`);
  expect(pages.map((page) => page.length)).toEqual([2, 1]);
  expect(pages.flat()).toEqual(sheet);
  const paper = await fetch(`${app.url}${shop}/rounds/${id}/sheet.pdf`, { headers: { cookie: app.cookieFor(shop) } });
  expect(paper.headers.get('content-type')).toContain('application/pdf');
  expect((await paper.text()).startsWith('%PDF-')).toBe(true);
});

it.each([
  ['everyDays', { group: 'A', everyDays: 0 }],
  ['everyDays', { group: 'A', everyDays: 1.5 }],
  ['group', { group: '', everyDays: 10 }],
  ['everyDays', { group: 'A' }],
  ['everyKm', { group: 'A', everyKm: 0 }],
  ['beforeWinter', { group: 'A', beforeWinter: '13-40' }],
  ['kilometers', { group: 'A', everyDays: 10, kilometers: 5 }],
])('bad input is named by its field: %s', async (field, body) => {
  const answer = await put(body);
  expect([answer.status, answer.body.errors[0].field]).toEqual([422, field]);
});

it('an apprentice sees no rounds', async () => {
  expect((await app.ask('GET', `${shop}/rounds`, undefined, await app.signIn('one', 'Bo'))).status).toBe(403);
});
