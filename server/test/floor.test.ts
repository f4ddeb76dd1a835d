/** The floor by page: whole over all pages, found by words, told by row. */
import { randomUUID } from 'node:crypto';
import type { FloorRow } from '@tetrad/contracts';
import { addMember, jobBody, pageOf, pagesOf, startApplication } from './application';
import type { Application } from './application';

let app: Application;
const FLOOR = '/api/shops/one/jobs';
const jobs: string[] = [];
beforeAll(async () => {
  app = await startApplication();
  for (let at = 0; at < 25; at++) {
    const body = { ...jobBody(), assignee: at % 2 === 0 ? 'Bo' : 'Ida' };
    body.vehicle = { ...body.vehicle, name: `Van ${at} 100% petrol`, plate: `PL-${at}` };
    await app.ask('POST', FLOOR, body);
    jobs.push(body.id);
  }
  // changed in the same moment: the order must still be one
  await app.owner.query('UPDATE job SET changed_at = $1', ['2026-03-02T09:00:00.123456Z']);
});
afterAll(() => app.close());

const page = (address: string, cookie?: string) => pageOf<FloorRow>(app, address, cookie);
const pages = (first: string, of = app) => pagesOf<FloorRow>(of, first);

it.each(['changed', 'opened'])('every job is on one page, once, by what was %s last', async (sort) => {
  const all = await pages(`${FLOOR}?limit=10&sort=${sort}`);
  expect(all.map((rows) => rows.length)).toEqual([10, 10, 5]);
  expect(new Set(all.flat().map(({ id }) => id))).toEqual(new Set(jobs));
  const times = all.flat().map((row) => (sort === 'opened' ? row.openedAt : row.changedAt));
  expect(times).toEqual([...times].sort().reverse());
});

it('a page tells where the next begins, and the last tells none', async () => {
  expect((await page(`${FLOOR}?limit=24`)).next).toContain('after=');
  expect((await page(`${FLOOR}?limit=25`)).next).toBeNull();
});

it('a job that changes while pages are turned is not lost to those that come after', async () => {
  const first = await page(`${FLOOR}?limit=10&sort=opened`);
  await app.ask('POST', `${FLOOR}/${jobs[0]}/timers`, { id: randomUUID(), kind: 'cool-down' });
  const rest = await pages(first.next!);
  expect(new Set([...first.rows, ...rest.flat()].map(({ id }) => id)).size).toBe(25);
});

it.each([
  ['van 23', ['Van 23 100% petrol']],
  [
    'pl-1 bo',
    ['Van 1', 'Van 10', 'Van 12', 'Van 14', 'Van 16', 'Van 18'].slice(1).map((name) => `${name} 100% petrol`),
  ],
  ['100%', null],
  ['_', []],
  ['nobody has this', []],
])('finds by “%s” in the database', async (words, names) => {
  const { rows } = await page(`${FLOOR}?find=${encodeURIComponent(words)}`);
  const found = rows.map(({ vehicle }) => vehicle.name).sort();
  if (names === null) expect(found).toHaveLength(25);
  else expect(found).toEqual([...names].sort());
});

it('some rows are told by their ids, whatever their status', async () => {
  const signOff = { id: randomUUID(), action: 'none-found', reason: 'Seen.', conclusion: 'Done.', partsFitted: [] };
  await app.ask('POST', `${FLOOR}/${jobs[3]}/sign-offs`, signOff);
  const { rows } = await page(`${FLOOR}?ids=${jobs[3]},${jobs[4]},${randomUUID()}`);
  expect(rows.map(({ id, status }) => [id, status]).sort()).toEqual(
    [
      [jobs[3], 'closed'],
      [jobs[4], 'open'],
    ].sort(),
  );
});

it('an apprentice is told of own jobs and of those that nobody has, on full pages', async () => {
  await addMember(app.pool, 'one', 'Bo', 'apprentice');
  const { rows } = await page(`${FLOOR}?limit=5`, await app.signIn('one', 'Bo'));
  expect(rows.map(({ assignee }) => assignee)).toEqual(['Bo', 'Bo', 'Bo', 'Bo', 'Bo']);
});

it.each([
  ['limit=0', 'limit'],
  ['limit=501', 'limit'],
  ['limit=many', 'limit'],
  ['sort=price', 'sort'],
  ['status=lost', 'status'],
  ['after=soon', 'after'],
  ['ids=1,2', 'ids'],
  ['page=2', 'page'],
])('%s is refused by its field', async (query, field) => {
  const { status, body } = await app.ask('GET', `${FLOOR}?${query}`);
  expect([status, body.errors?.[0].field]).toEqual([422, field]);
});

it('walked by pages of any size, in any order, every job comes once, though many changed at the same moment', async () => {
  const own = await startApplication();
  const ids: string[] = [];
  for (let i = 0; i < 23; i++) {
    const body = jobBody();
    ids.push(body.id);
    await own.ask('POST', '/api/shops/one/jobs', body);
  }
  // as after an import: whole groups of the same time
  await own.owner.query(
    `UPDATE job SET changed_at = date_trunc('minute', now()) + (('x' || left(job_id::text, 1))::bit(4)::int % 3) * interval '1 s',
            opened_at = date_trunc('minute', now())`,
  );
  for (const sort of ['changed', 'opened'])
    for (const limit of [1, 2, 7, 23, 50]) {
      const all = await pages(`/api/shops/one/jobs?sort=${sort}&limit=${limit}`, own);
      for (const rows of all) expect(rows.length).toBeLessThanOrEqual(limit);
      const seen = all.flat().map(({ id }) => id);
      expect([sort, limit, [...seen].sort()]).toEqual([sort, limit, [...ids].sort()]);
    }
  await own.close();
}, 30_000);
