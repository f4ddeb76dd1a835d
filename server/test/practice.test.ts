/** What was practiced: kept for its person, seen by a lead, and no job of the shop. */
import { randomUUID } from 'node:crypto';
import type { PracticeResult } from '@tetrad/core';
import { addMember, jobBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
  await addMember(app.pool, 'one', 'Bo', 'apprentice');
});
afterAll(() => app.close());

const at = '/api/shops/one/practice';
const result: PracticeResult = {
  exercise: 'belt',
  title: 'It squeals in the rain',
  at: '2026-11-29T10:00:00.000Z',
  points: 82,
  minutes: 24,
  isRight: true,
  isProven: true,
  help: 'hints',
  hints: 1,
  steps: ['resting-voltage', 'belt', 'charging-voltage'],
  voids: [],
  safety: [],
};
const keep = (change: object = {}, id = randomUUID()) =>
  app.ask('PUT', `${at}/results/${id}`, { result: { ...result, ...change } });

it('a result is kept once for whoever is signed in, and told in the order of time', async () => {
  const id = randomUUID();
  expect((await keep({}, id)).status).toBe(204);
  expect((await keep({ points: 99 }, id)).status).toBe(204);
  await keep({ at: '2026-11-28T10:00:00.000Z', exercise: 'drain', points: 40 });
  const told = (await app.ask('GET', `${at}/results`)).body as PracticeResult[];
  expect(told.map(({ exercise, points }) => [exercise, points])).toEqual([
    ['drain', 40],
    ['belt', 82],
  ]);
});

it.each([
  ['result.points', { points: 101 }],
  ['result.minutes', { minutes: -1 }],
  ['result.steps[0]', { steps: ['guess'] }],
  ['result.at', { at: 'yesterday' }],
  ['result.exercise', { exercise: '' }],
  ['result.fault', { fault: 'belt-slip' }],
])('bad input names its field and keeps nothing: %s', async (field, change) => {
  const before = (await app.ask('GET', `${at}/results`)).body.length;
  const answer = await keep(change);
  expect([answer.status, answer.body.errors[0].field]).toEqual([422, field]);
  expect((await app.ask('GET', `${at}/results`)).body).toHaveLength(before);
});

it('a lead sees the class by person; an apprentice does not', async () => {
  await keep({ at: '2026-11-30T10:00:00.000Z', exercise: 'slow-ground' });
  const seen = await app.ask('GET', `${at}/class`);
  expect(seen.status).toBe(200);
  const own = seen.body.filter(({ results }: { results: unknown[] }) => results.length > 0);
  expect(own).toHaveLength(1);
  expect(own[0].results.at(-1)).toMatchObject({ exercise: 'slow-ground' });
  const apprentice = await app.signIn('one', 'Bo');
  const refused = await app.ask('GET', `${at}/class`, undefined, apprentice);
  expect([refused.status, refused.body.detail]).toEqual([403, expect.stringContaining('lead, administrator')]);
  // and what the others did is not among their own
  expect((await app.ask('GET', `${at}/results`, undefined, apprentice)).body).toEqual([]);
});

it('nothing of it is a job, a vehicle or an entry of the audit log', async () => {
  const told = async () => {
    const [jobs, vehicles] = [
      await app.ask('GET', '/api/shops/one/jobs'),
      await app.ask('GET', '/api/shops/one/vehicles'),
    ];
    return [jobs.body.length, vehicles.body.length];
  };
  await app.ask('POST', '/api/shops/one/jobs', jobBody());
  const before = await told();
  await keep();
  expect(await told()).toEqual(before);
});
