import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { connect } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import type { JobView } from '@tetrad/contracts';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';
import { newDatabase } from './databases';

/** Of the session that the devices share. */
let cookie = '';

/** Reads the events of one stream, as a device does. */
async function follow(
  url: string,
  told: readonly string[] = ['job', 'floor'],
): Promise<{ next(): Promise<{ event: string; data: unknown }>; close(): void }> {
  const abort = new AbortController();
  const response = await fetch(url, { headers: { cookie }, signal: abort.signal });
  expect(response.headers.get('content-type')).toBe('text/event-stream');
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  return {
    async next() {
      for (;;) {
        const end = text.indexOf('\n\n');
        if (end >= 0) {
          const message = text.slice(0, end);
          text = text.slice(end + 2);
          const event = /^event: (.*)$/m.exec(message)?.[1];
          if (event !== undefined && told.includes(event))
            return { event, data: JSON.parse(/^data: (.*)$/m.exec(message)![1]!) as unknown };
          continue;
        }
        const { value, done } = await reader.read();
        if (done) throw new Error('the stream ended');
        text += value;
      }
    },
    close: () => abort.abort(),
  };
}

const jobsOf = (app: Application) => `${app.url}/api/shops/one/jobs`;
const post = (url: string, body: unknown) =>
  fetch(url, { method: 'POST', headers: { cookie, 'content-type': 'application/json' }, body: JSON.stringify(body) });
const values = (view: unknown) => (view as JobView).case.readings.map(({ value }) => value);

describe('two server processes on one database', () => {
  let first: Application;
  let second: Application;
  let job: string;

  beforeAll(async () => {
    const database = await newDatabase();
    first = await startApplication(database);
    second = await startApplication(database);
    cookie = first.cookieFor('/');
  });
  afterAll(async () => {
    await first.close();
    await second.close();
  });
  beforeEach(async () => {
    const body = jobBody();
    job = body.id;
    await post(jobsOf(first), body);
  });

  test('a reading given to the one is seen on a stream of the other', async () => {
    const stream = await follow(`${jobsOf(second)}/${job}/live`);
    expect(values((await stream.next()).data)).toEqual([]);
    await post(`${jobsOf(first)}/${job}/readings`, readingBody('resting-voltage', 12.61));
    expect(values((await stream.next()).data)).toEqual([12.61]);
    stream.close();
  });

  test('two people recording at once through two processes: both readings are kept', async () => {
    const both = await Promise.all([
      ...Array.from({ length: 8 }, (_, i) =>
        post(`${jobsOf(i % 2 ? first : second)}/${job}/readings`, readingBody('resting-voltage', 12.5 + i / 100)),
      ),
    ]);
    expect(both.map(({ status }) => status)).toEqual(Array(8).fill(201));
    const { body } = await first.ask('GET', `/api/shops/one/jobs/${job}`);
    expect(values(body).sort()).toEqual([12.5, 12.51, 12.52, 12.53, 12.54, 12.55, 12.56, 12.57]);
  });

  test('of two views of a job the later has the higher revision', async () => {
    const before = (await first.ask('GET', `/api/shops/one/jobs/${job}`)).body as JobView;
    await post(`${jobsOf(second)}/${job}/timers`, { id: randomUUID(), kind: 'settle' });
    const after = (await first.ask('GET', `/api/shops/one/jobs/${job}`)).body as JobView;
    expect(after.revision).toBeGreaterThan(before.revision);
  });

  test('the floor hears of a job of its own shop, and not of another shop’s', async () => {
    const stream = await follow(`${second.url}/api/shops/one/live`);
    const other = jobBody();
    await first.ask('POST', '/api/shops/two/jobs', other);
    await post(`${jobsOf(first)}/${job}/timers`, { id: randomUUID(), kind: 'cool-down' });
    expect(await stream.next()).toEqual({ event: 'floor', data: { job } });
    stream.close();
  });

  test('a stream of a job that is not there is refused by name', async () => {
    const missing = randomUUID();
    const answer = await first.ask('GET', `/api/shops/one/jobs/${missing}/live`);
    expect(answer.status).toBe(404);
    expect(answer.body.detail).toContain(missing);
  });

  describe('who else is at a job', () => {
    const live = (app: Application) => follow(`${jobsOf(app)}/${job}/live`, ['people']);

    test('each device is told of the others, through whichever process, and when they leave', async () => {
      const here = await live(first);
      expect((await here.next()).data).toEqual([]);
      const there = await live(second);
      expect((await there.next()).data).toHaveLength(1);
      expect((await here.next()).data).toEqual([{ name: expect.any(String), kind: 'device' }]);
      there.close();
      expect((await here.next()).data).toEqual([]);
      here.close();
    });

    test('of a process that died nobody is told for longer than a minute, and the job’s readings are not sent again', async () => {
      await first.owner.query(
        `INSERT INTO presence (shop_id, stream_id, job_id, name, kind, seen_at)
         VALUES ('one', $1, $2, 'Gone Long', 'device', now() - interval '1 minute')`,
        [randomUUID(), job],
      );
      const all = await follow(`${jobsOf(second)}/${job}/live`, ['people', 'job']);
      const events = [await all.next(), await all.next()];
      expect(events.map(({ event }) => event).sort()).toEqual(['job', 'people']);
      expect(events.find(({ event }) => event === 'people')!.data).toEqual([]);
      const other = await live(first);
      expect((await all.next()).event).toBe('people');
      all.close();
      other.close();
    });
  });
});

test('a lost listening connection is made again, and nothing is missed', async () => {
  const app = await startApplication();
  cookie = app.cookieFor('/');
  const body = jobBody();
  await post(jobsOf(app), body);
  const stream = await follow(`${jobsOf(app)}/${body.id}/live`);
  await stream.next();
  await app.owner.query(
    `SELECT pg_terminate_backend(pid) FROM pg_stat_activity
      WHERE application_name = 'tetrad news' AND datname = current_database()`,
  );
  await post(`${jobsOf(app)}/${body.id}/readings`, readingBody('resting-voltage', 12.4));
  let seen = (await stream.next()).data;
  while (values(seen).length === 0) seen = (await stream.next()).data;
  expect(values(seen)).toEqual([12.4]);
  stream.close();
  await app.close();
});

describe('streams that are cut while they open', () => {
  let app: Application;
  beforeAll(async () => {
    app = await startApplication();
    cookie = app.cookieFor('/');
  });
  afterAll(() => app.close());

  it('leave no stream, nobody at the job, and hold no instrument', async () => {
    const body = jobBody();
    await post(jobsOf(app), body);
    const { port } = new URL(app.url);
    for (let round = 0; round < 4; round++)
      await Promise.all(
        Array.from({ length: 25 }, async (_, at) => {
          const socket = connect(Number(port), '127.0.0.1');
          socket.on('error', () => undefined);
          await once(socket, 'connect');
          socket.write(
            `GET /api/shops/one/jobs/${body.id}/live HTTP/1.1\r\nHost: localhost\r\nCookie: ${cookie}\r\n\r\n`,
          );
          await wait(at % 12);
          socket.destroy();
        }),
      );
    for (let tries = 0; tries < 100 && app.streams.size > 0; tries++) await wait(20);
    expect(app.streams.size).toBe(0);
    await wait(200);
    const { rows } = await app.owner.query('SELECT 1 FROM presence WHERE job_id = $1', [body.id]);
    expect(rows).toEqual([]);
  });
});
