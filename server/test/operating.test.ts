/** What whoever runs it can see of it, and what nobody else may. */
import { connect } from 'node:net';
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

it('backups are told to those who may read the audit log', async () => {
  expect((await app.ask('GET', '/api/shops/one/backups')).body).toEqual({ isScheduled: false, count: 0, newest: null });
  expect((await app.ask('GET', '/api/shops/one/backups', undefined, '')).status).toBe(401);
});

it('one session may ask a third of what an address may, and is told when to go on', async () => {
  const slow = await startApplication(undefined, { requestsASecond: 60 });
  const begun = performance.now();
  const asked = await Promise.all(Array.from({ length: 55 }, () => slow.ask('GET', '/api/shops/one/vehicles')));
  const refused = asked.filter(({ status }) => status === 429);
  // a burst may lie across the end of a second
  const seconds = Math.floor((performance.now() - begun) / 1000) + 2;
  expect(asked.length - refused.length).toBeLessThanOrEqual(20 * seconds);
  expect(refused[0]!.body.detail).toBe('More than 20 requests in one second came from this session.');
  expect((await slow.ask('GET', '/api/session', undefined, '')).status).toBe(200); // others go on
  await slow.close();
});

it('a stream that nobody reads is ended at a bounded buffer, and the work it tells of goes on', async () => {
  const body = { ...jobBody(), complaint: { note: 'x'.repeat(4000) } };
  await app.ask('POST', '/api/shops/one/jobs', body);
  const at = `/api/shops/one/jobs/${body.id}`;
  const { hostname, port } = new URL(app.url);
  const deaf = connect(Number(port), hostname);
  deaf.pause();
  deaf.write(`GET ${at}/live HTTP/1.1\r\nHost: ${hostname}\r\nCookie: ${app.cookieFor(at)}\r\n\r\n`);
  const ended = new Promise((resolve) => deaf.on('close', resolve).on('error', resolve));
  const open = (): number => app.streams.size;
  while (open() === 0) await new Promise((resolve) => setTimeout(resolve, 10));
  const [stream] = app.streams;
  // more than any socket's buffers hold
  const text = JSON.stringify({ note: 'y'.repeat(4000) });
  for (let i = 0; i < 4000 && open() > 0; i++) app.streams.send(stream!, 'job', text);
  expect(open()).toBe(0);
  deaf.destroy();
  await ended;
  expect((await app.ask('GET', at)).status).toBe(200);
});
