/** What whoever runs it can see of it, and what nobody else may. */
import { jobBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

it('figures tell answers by the pattern of their address, and nothing of what stands in one', async () => {
  const body = jobBody();
  await app.ask('POST', '/api/shops/one/jobs', body);
  await app.ask('GET', `/api/shops/one/jobs/${body.id}`);
  const { body: text } = await app.ask('GET', '/metrics', undefined, '');
  expect(text).toMatch(/tetrad_answer_seconds_count\{route="[^"]*\/jobs\/:job",method="GET",status="200"\} 1/);
  expect(text).toMatch(/tetrad_database_connections \d/);
  expect(text).not.toContain(body.id);
});

it('figures are not told through a proxy', async () => {
  const response = await fetch(`${app.url}/metrics`, { headers: { 'x-forwarded-for': '192.0.2.7' } });
  expect(response.status).toBe(403);
});

it('backups are told to those who may read the record of acts', async () => {
  expect((await app.ask('GET', '/api/shops/one/backups')).body).toEqual({ isScheduled: false, count: 0, newest: null });
  expect((await app.ask('GET', '/api/shops/one/backups', undefined, '')).status).toBe(401);
});
