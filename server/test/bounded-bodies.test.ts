/** Bodies are bounded before anything is done with them: bytes, values, fields, marks in a row; faults that are named. */
import { gzipSync } from 'node:zlib';
import { randomUUID } from 'node:crypto';
import { BODY_LIMITS } from '../src/platform/http/read-body';
import { cleaned } from '../src/platform/http/clean-body';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

const SHOP = '/api/shops/one';
const MARKS = '\u0301\u0323';
const fields = (count: number): Record<string, number> =>
  Object.fromEntries(Array.from({ length: count }, (_, i) => [`f${i}`, 1]));

/** Sends to a route that asks for no session. */
async function unsigned(body: string | Uint8Array<ArrayBuffer>, more: Record<string, string> = {}) {
  const response = await fetch(`${app.url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...more },
    body,
  });
  return { status: response.status, body: (await response.json()) as { type: string; detail: string } };
}
const signIn = (name: string): string => JSON.stringify({ shop: 'one', name, password: 'x' });

describe('whoever is not signed in', () => {
  it('sends 8 kB at most, packed or not', async () => {
    expect(BODY_LIMITS['sign-in'].maxBytes).toBe(8192);
    expect((await unsigned(signIn('x'.repeat(8200)))).status).toBe(413);
    const packed = new Uint8Array(gzipSync(signIn(`a${MARKS.repeat(450_000)}`)));
    expect(packed.length).toBeLessThan(8192);
    expect((await unsigned(packed, { 'content-encoding': 'gzip' })).status).toBe(413);
  });

  it('is refused marks without end and fields without end before they are put in order', async () => {
    const marks = await unsigned(signIn(`a${MARKS.repeat(1800)}`));
    expect([marks.status, marks.body.detail]).toEqual([422, expect.stringContaining('30 combining marks in a row')]);
    const many = await unsigned(JSON.stringify(fields(700)));
    expect([many.status, many.body.detail]).toEqual([422, expect.stringContaining('at most 200 fields')]);
  });
});

describe('text', () => {
  it('of every writing comes through, brought to one form', () => {
    // Vietnamese, Hebrew with points, Thai, Devanagari, a family emoji
    for (const word of ['Nguyễn Thị Hằng', 'בְּרֵאשִׁית', 'กิ๊ฟท์', 'श्रीमान्', '👨‍👩‍👧'])
      expect(cleaned(word.normalize('NFD'), 'name')).toBe(word.normalize('NFC'));
  });

  it('with more marks in a row than any writing has is refused, in values and in names of fields', () => {
    expect(() => cleaned(`a${MARKS.repeat(15)}`, 'name')).not.toThrow();
    expect(() => cleaned(`a${MARKS.repeat(16)}`, 'name')).toThrow(/combining marks/);
    expect(() => cleaned({ [`a${MARKS.repeat(16)}`]: 1 }, '')).toThrow(/another name of a field/);
  });
});

describe('a body', () => {
  it('holds so many values at most, wherever they stand', () => {
    const nested = { list: Array.from({ length: 20 }, () => fields(4)) };
    expect(() => cleaned(nested, '', 101)).not.toThrow();
    expect(() => cleaned(nested, '', 100)).toThrow(/more than 100 values/);
    expect(() => cleaned(fields(201), '')).toThrow(/at most 200 fields/);
  });

  it('that is wrong throughout is answered with its first faults and how many more there are', async () => {
    const readings = Array.from({ length: 1500 }, () => ({ id: 5, test: 'x', value: 'y' }));
    const { status, body } = await app.ask('POST', `${SHOP}/cases`, {
      format: 'tetrad-case/1',
      system: jobBody().system,
      readings,
    });
    expect(status).toBe(422);
    expect(body.errors).toHaveLength(101);
    expect(body.errors[100].found).toMatch(/^\d+ more$/);
    expect(JSON.stringify(body).length).toBeLessThan(100_000);
  });

  it('keeps no more of unknown fields than a part of a job may have', async () => {
    const job = jobBody();
    await app.ask('POST', `${SHOP}/jobs`, job);
    const reading = readingBody('resting-voltage', 12.6, { remark: 'x'.repeat(9000) });
    const { status, body } = await app.ask('POST', `${SHOP}/jobs/${job.id}/readings`, reading);
    expect([status, body.detail]).toEqual([422, expect.stringContaining('at most 8000 characters')]);
    const kept = readingBody('resting-voltage', 12.6, { remark: 'x'.repeat(500) });
    expect((await app.ask('POST', `${SHOP}/jobs/${job.id}/readings`, kept)).status).toBe(201);
  });
});

it('a job holds 2000 readings at most, brought in or added one by one', async () => {
  const readings = (count: number) =>
    Array.from({ length: count }, (_, i) => ({ id: `r${i}`, test: 'resting-voltage', value: 12 + (i % 10) / 10 }));
  const whole = { format: 'tetrad-case/1', system: jobBody().system };
  expect((await app.ask('POST', `${SHOP}/cases`, { ...whole, readings: readings(2001) })).status).toBe(422);
  const { body } = await app.ask('POST', `${SHOP}/cases`, { ...whole, readings: readings(1999) });
  const add = () =>
    app.ask('POST', `${SHOP}/jobs/${body.id}/readings`, {
      reading: { id: randomUUID(), test: 'resting-voltage', value: 12.6 },
    });
  expect((await add()).status).toBe(201);
  const refused = await add();
  expect([refused.status, refused.body.errors[0].allowed]).toEqual([422, 'at most 2000 readings in one job']);
  expect((await app.ask('GET', `${SHOP}/jobs/${body.id}`)).body.case.readings).toHaveLength(2000);
}, 60_000);
