/** What a failure becomes on its way to whoever asked: told by what it is, with nothing of the server's inside. */
import express from 'express';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { onError } from '../src/platform/http/on-error';
import { Refusal, problem } from '../src/platform/http/problem';

let failure: unknown;
let server: Server;
let url: string;
const logged: unknown[] = [];

beforeAll(async () => {
  const app = express();
  app.use((request, _response, next) => {
    Object.assign(request, { log: { error: (entry: unknown) => logged.push(entry) } });
    next();
  });
  app.post('/body', express.json({ limit: 100 }), (request, response) => void response.json(request.body));
  app.get('/half', (_request, response) => {
    response.write('half');
    throw new Error('after the head was sent');
  });
  app.get('/file/:name', (_request, response) => void response.json({}));
  app.use(() => {
    throw failure;
  });
  app.use(onError);
  server = await new Promise((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => resolve(listening));
  });
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));

async function told(thrown: unknown) {
  failure = thrown;
  const response = await fetch(url);
  return {
    status: response.status,
    type: response.headers.get('content-type'),
    after: response.headers.get('retry-after'),
    body: (await response.json()) as { type: string; detail: string; status: number; incident?: string },
  };
}
const sqlFailure = (code: string, message = 'secret inside'): Error => Object.assign(new Error(message), { code });

describe('a failure of the database', () => {
  it.each([
    ['57P01', 'the host was shut down', 503, 'database-away'],
    ['08006', 'the connection broke', 503, 'database-away'],
    ['25006', 'the host is a standby', 503, 'database-away'],
    ['ECONNREFUSED', 'nobody listens', 503, 'database-away'],
    ['57014', 'the statement took too long', 503, 'busy'],
    ['55P03', 'the lock was not had', 503, 'busy'],
    ['40P01', 'a deadlock', 503, 'busy'],
    ['53100', 'the disk is full', 503, 'disk-full'],
    ['23505', 'the row is there already', 409, 'taken'],
    ['22003', 'a number out of range', 422, 'misfit'],
    ['22021', 'text that is none', 422, 'misfit'],
    ['54000', 'more than it can hold', 422, 'misfit'],
  ])('%s (%s) is %d %s, with when to ask again where it helps', async (code, _what, status, type) => {
    const answer = await told(sqlFailure(code));
    expect([answer.status, answer.body.status]).toEqual([status, status]);
    expect(answer.type).toContain('application/problem+json');
    expect(answer.body.type).toContain(type);
    expect(answer.after).toBe(status === 503 ? '2' : null);
    expect(answer.body.detail).toContain('Nothing was stored');
  });

  it('a connection that the driver lost without a code is the database’s absence too', async () => {
    expect((await told(new Error('Connection terminated unexpectedly'))).body.type).toContain('database-away');
    expect((await told(new Error('timeout exceeded when trying to connect'))).status).toBe(503);
  });
});

describe('a fault of ours', () => {
  it('is told as such, with the name it has in the log, and nothing of what it was', async () => {
    logged.length = 0;
    const answer = await told(new TypeError('Cannot read properties of undefined (reading "password_hash")'));
    expect([answer.status, answer.after]).toEqual([500, null]);
    expect(JSON.stringify(answer.body)).not.toContain('password_hash');
    const [entry] = logged as [{ incident: string; err: Error }];
    expect(answer.body.detail).toContain(entry.incident);
    expect(entry.err.message).toContain('password_hash');
  });

  it.each([['text'], [42], [{}]])('also where %j was thrown', async (thrown) => {
    expect((await told(thrown)).status).toBe(500);
  });

  it.each([[null], [undefined]])(
    'where %j was thrown nothing has failed: the next handler is asked',
    async (thrown) => {
      failure = thrown;
      expect((await fetch(url)).status).toBe(404);
    },
  );

  it('after the head of an answer was sent ends the connection instead of mixing two answers', async () => {
    await expect(fetch(`${url}/half`).then((response) => response.text())).rejects.toThrow();
  });
});

describe('a refusal', () => {
  it('is told as it was made, with when to come again where it says so', async () => {
    const answer = await told(new Refusal(problem(429, 'too-many', 'Too many.'), 7));
    expect([answer.status, answer.after, answer.body.detail]).toEqual([429, '7', 'Too many.']);
    expect((await told(new Refusal(problem(404, 'not-found', 'None.')))).after).toBeNull();
  });
});

describe('a body that cannot be read', () => {
  const send = async (body: string, type = 'application/json', more: Record<string, string> = {}) => {
    const response = await fetch(`${url}/body`, { method: 'POST', headers: { 'content-type': type, ...more }, body });
    return { status: response.status, body: (await response.json()) as { type: string; detail: string } };
  };

  it.each([
    ['broken JSON', '{"reading":', 'application/json', {}, 400, 'broken-json', /no JSON/],
    [
      'one that is too large',
      JSON.stringify({ note: 'x'.repeat(200) }),
      'application/json',
      {},
      413,
      'too-large',
      /at most 100/,
    ],
    ['a character set nobody knows', '{}', 'application/json; charset=klingon', {}, 415, 'not-json', /KLINGON.*UTF-8/s],
    ['a packing nobody knows', '{}', 'application/json', { 'content-encoding': 'zip' }, 415, 'not-json', /zip/],
  ] as const)('%s', async (_what, body, type, more, status, name, says) => {
    const answer = await send(body, type, more);
    expect(answer.status).toBe(status);
    expect(answer.body.type).toContain(name);
    expect(answer.body.detail).toMatch(says);
  });

  it('packed bytes that are broken are told as such', async () => {
    const thrown = Object.assign(new Error('incorrect header check'), { code: 'Z_DATA_ERROR', status: 400 });
    const answer = await told(thrown);
    expect([answer.status, answer.body.detail]).toEqual([
      400,
      'The body cannot be unpacked: incorrect header check. Nothing was stored.',
    ]);
  });

  it('a broken % escape in an address is 400', async () => {
    const response = await fetch(`${url}/file/%E0%A4%A`);
    expect(response.status).toBe(400);
    expect(((await response.json()) as { type: string }).type).toContain('broken-address');
  });
});
