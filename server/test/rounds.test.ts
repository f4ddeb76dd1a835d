/** Rounds: which vehicles of a group are due, by their newest job, as a list and as a calendar. */
import { randomUUID } from 'node:crypto';
import type { RoundView } from '@tetrad/contracts';
import { addMember, jobBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
  await addMember(app.pool, 'one', 'Bo', 'apprentice');
});
afterAll(() => app.close());

const shop = '/api/shops/one';
const put = (body: object, id = randomUUID()) => app.ask('PUT', `${shop}/rounds/${id}`, body);
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
  expect(round).toMatchObject({ id, group: 'north', everyDays: 60, assignee: 'Bo' });
  expect(round!.vehicles.map(({ vehicle }) => vehicle.id)).toEqual([old, fresh]);
  const near = (told: string, inDays: number): boolean =>
    [day(inDays - 1), day(inDays), day(inDays + 1)].includes(told);
  expect(round!.vehicles.map(({ dueOn }, at) => near(dueOn, [-20, 50][at]!))).toEqual([true, true]);
  for (const { lastVisit } of round!.vehicles)
    expect(new Date(lastVisit!).toISOString().slice(0, 16)).toBe(lastVisit!.slice(0, 16));
  // another interval, then none
  expect((await put({ group: 'north', everyDays: 365 }, id)).body.vehicles[0].dueOn.slice(0, 4)).toBe(
    day(285).slice(0, 4),
  );
  expect((await app.ask('DELETE', `${shop}/rounds/${id}`)).status).toBe(204);
  expect((await app.ask('GET', `${shop}/rounds`)).body).toEqual([]);
  expect((await app.ask('DELETE', `${shop}/rounds/${id}`)).status).toBe(404);
});

it('the calendar has an entry for each vehicle on its day (RFC 5545)', async () => {
  await vehicleOf('Calendar', 0);
  const { body } = await put({ group: 'Calendar', everyDays: 30 });
  const due = body.vehicles[0].dueOn.replaceAll('-', '');
  const answer = await fetch(`${app.url}${shop}/rounds.ics`, { headers: { cookie: app.cookieFor(shop) } });
  expect(answer.headers.get('content-type')).toContain('text/calendar');
  const lines = (await answer.text()).split('\r\n');
  expect(lines[0]).toBe('BEGIN:VCALENDAR');
  expect(lines.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(1);
  expect(lines.find((line) => line.startsWith('DTSTART'))).toContain(due);
});

it.each([
  ['everyDays', { group: 'A', everyDays: 0 }],
  ['everyDays', { group: 'A', everyDays: 1.5 }],
  ['group', { group: '', everyDays: 10 }],
  ['kilometers', { group: 'A', everyDays: 10, kilometers: 5 }],
])('bad input is named by its field: %s', async (field, body) => {
  const answer = await put(body);
  expect([answer.status, answer.body.errors[0].field]).toEqual([422, field]);
});

it('an apprentice sees no rounds', async () => {
  expect((await app.ask('GET', `${shop}/rounds`, undefined, await app.signIn('one', 'Bo'))).status).toBe(403);
});
