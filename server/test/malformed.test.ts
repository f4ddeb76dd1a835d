/** Whatever is sent, it is refused by its field or understood; it is never a fault of the server. */
import { randomUUID } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import fc from 'fast-check';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
let job: string;
beforeAll(async () => {
  app = await startApplication();
  const body = jobBody();
  job = `/api/shops/one/jobs/${body.id}`;
  await app.ask('POST', '/api/shops/one/jobs', body);
});
afterAll(() => app.close());

const CASE = {
  format: 'tetrad-case/1',
  title: 'Imported',
  system: { nominalVolts: 12, battery: { chemistry: 'agm' } },
  readings: [{ id: 'r1', test: 'resting-voltage', value: 12.6, conditions: { surfaceChargeRemoved: true } }],
};
/** Bodies that are right, by where they go. */
const right = (): readonly (readonly [string, string, object])[] => [
  ['POST', '/api/shops/one/jobs', jobBody()],
  ['POST', '/api/shops/one/cases', CASE],
  [
    'PATCH',
    job,
    {
      version: 1,
      assignee: 'Bo',
      complaint: { symptoms: ['slow-crank'], note: 'x' },
      conditions: { batteryCelsius: 20 },
    },
  ],
  ['POST', `${job}/readings`, readingBody('resting-voltage', 12.6, { conditions: { minutesSinceCharge: 30 } })],
  ['POST', `${job}/readings/r1/void`, { reason: 'slip' }],
  ['POST', `${job}/observations`, { id: randomUUID(), observation: { about: 'belt', finding: 'good', note: 'x' } }],
  ['POST', `${job}/timers`, { id: randomUUID(), kind: 'charge', seconds: 60, secondsAgo: 5 }],
  ['POST', `${job}/acknowledgements`, { caution: 'acid' }],
  [
    'POST',
    `${job}/sign-offs`,
    {
      id: randomUUID(),
      action: 'replace',
      part: 'battery',
      reason: 'r',
      conclusion: 'c',
      partsFitted: ['p'],
      comment: 'c',
      solved: true,
    },
  ],
  ['POST', `${job}/captures`, { id: randomUUID(), name: 'a.csv', bytes: 12 }],
  ['PUT', `/api/shops/one/instruments/${randomUUID()}`, { name: 'M', kind: 'meter', uncertainty: { V: 0.02 } }],
  ['POST', '/api/shops/one/people', { id: randomUUID(), name: 'N', role: 'lead' }],
  ['POST', '/api/session', { shop: 'one', name: 'Ada', password: 'x' }],
  ['PUT', '/api/session/secrets', { password: 'x', newPassword: 'longer than twelve', pin: '1234' }],
];

const odd = fc.oneof(
  fc.constantFrom<unknown>(
    'nul \u0000 here',
    '\ud83d',
    '\udc00',
    '\u0007',
    '',
    'x'.repeat(70_000),
    '{{7*7}}',
    "'; DROP TABLE job; --",
    '../../etc/passwd',
    1e308,
    -1e308,
    1e18,
    2 ** 53,
    -0,
    0.1 + 0.2,
    -1,
    null,
    true,
    false,
    [],
    {},
    [[]],
    [null],
    { constructor: 1 },
    '2026-02-30',
    'Infinity',
    'NaN',
    '١٢٫٦',
    'e\u0301',
    '9'.repeat(400),
  ),
  fc.string({ unit: 'binary', maxLength: 30 }),
  fc.jsonValue({ maxDepth: 6 }),
);
/** One place of a body changed: a value replaced, a field added, or the whole thrown away. */
const changed = fc
  .tuple(fc.nat(), odd, fc.constantFrom('replace', 'add', 'whole'))
  .map(([at, value, how]) => (body: object): unknown => {
    if (how === 'whole') return value;
    const copy = structuredClone(body) as Record<string, unknown>;
    const places: [Record<string, unknown>, string][] = [];
    const walk = (node: Record<string, unknown>): void => {
      for (const name of Object.keys(node)) {
        places.push([node, name]);
        if (typeof node[name] === 'object' && node[name] !== null) walk(node[name] as Record<string, unknown>);
      }
    };
    walk(copy);
    const [node, name] = places[at % places.length]!;
    if (how === 'replace') node[name] = value;
    else node[typeof value === 'string' ? value.slice(0, 20) : 'more'] = value;
    return copy;
  });

it('a body with anything odd anywhere in it is answered, and not by a fault', async () => {
  const all = right();
  await fc.assert(
    fc.asyncProperty(fc.nat(all.length - 1), changed, async (which, change) => {
      const [method, path, body] = all[which]!;
      const { status, body: answer } = await app.ask(method, path, JSON.stringify(change(body)) ?? 'null');
      expect(status).toBeLessThan(500);
      if (status === 422) for (const { field } of answer.errors ?? [{ field: 'x' }]) expect(field).not.toBe('');
    }),
    { numRuns: 700, endOnFailure: true },
  );
  expect((await app.ask('GET', '/api/health')).status).toBe(200);
}, 120_000);

it('text that nobody can read is refused by its field, and what looks alike is stored alike', async () => {
  const note = (text: string) => ({ id: randomUUID(), observation: { about: 'belt', finding: 'good', note: text } });
  for (const text of ['half an emoji \ud83d', 'nul \u0000', 'bell \u0007']) {
    const { status, body } = await app.ask('POST', `${job}/observations`, note(text));
    expect([status, body.errors?.[0].field]).toEqual([422, 'observation.note']);
  }
  const fresh = jobBody();
  await app.ask('POST', `/api/shops/one/jobs`, fresh);
  const { body } = await app.ask('POST', `/api/shops/one/jobs/${fresh.id}/observations`, note('cafe\u0301 😀\n\ttab'));
  expect(body.case.observations.at(-1).note).toBe('café 😀\n\ttab');
});

it.each(['__proto__', 'constructor', 'prototype'])('a field called %s is refused by that name', async (name) => {
  const text = `{"caution":"acid","${name}":{"polluted":true}}`;
  const { status, body } = await app.ask('POST', `${job}/acknowledgements`, text);
  expect([status, body.errors[0].field]).toEqual([422, name]);
  expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
});

it.each([
  ['nested beyond reason', `{"observation":${'['.repeat(5000)}${']'.repeat(5000)}}`, {}],
  ['broken JSON', '{"caution":', {}],
  ['not compressed as it says', 'plain', { 'content-encoding': 'gzip' }],
  ['compressed in an unknown way', 'plain', { 'content-encoding': 'compress' }],
  ['a bomb', gzipSync(' '.repeat(50_000_000)), { 'content-encoding': 'gzip' }],
  ['of a strange charset', '{}', { 'content-type': 'application/json; charset=klingon' }],
  ['not JSON at all', '<a/>', { 'content-type': 'text/xml' }],
])('a body that is %s is refused, and the next one is read', async (_what, body, headers) => {
  const response = await fetch(`${app.url}${job}/acknowledgements`, {
    method: 'POST',
    headers: { cookie: app.cookieFor(job), 'content-type': 'application/json', ...headers },
    body: body as BodyInit,
  });
  expect(response.status).toBeGreaterThanOrEqual(400);
  expect(response.status).toBeLessThan(500);
  expect((await app.ask('POST', `${job}/acknowledgements`, { caution: 'acid' })).status).toBe(201);
});

it.each([
  ['with a NUL', '/readings/%00/void'],
  ['with half a character', '/readings/%ED%A0%80/void'],
  ['with a broken escape', '/readings/%/void'],
  ['of a length beyond reason', `/readings/${'x'.repeat(5000)}/void`],
  ['with what is no id', '/timers/1/stop'],
])('an address %s is refused', async (_what, path) => {
  const { status } = await app.ask('POST', job + path, { reason: 'slip' });
  expect(status).toBeGreaterThanOrEqual(400);
  expect(status).toBeLessThan(500);
});

it('a body of another kind than JSON is told as such, and nothing of it is read', async () => {
  for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x']) {
    const response = await fetch(`${app.url}${job}/readings`, {
      method: 'POST',
      headers: { cookie: app.cookieFor(job), 'content-type': type },
      body: JSON.stringify(readingBody('resting-voltage', 12.6)),
    });
    expect([type, response.status]).toEqual([type, 415]);
    expect((await response.json()).detail).toContain(`${type.split(';')[0]}`);
  }
});
