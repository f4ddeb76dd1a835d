import { inflateSync } from 'node:zlib';
import { randomUUID } from 'node:crypto';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

/** The bytes of a PDF as text, its packed streams opened. */
function opened(pdf: Buffer): string {
  const text = pdf.toString('latin1');
  const streams = [...text.matchAll(/stream\n([\s\S]*?)\nendstream/g)].map(([, body]) => {
    try {
      return inflateSync(Buffer.from(body!, 'latin1')).toString('latin1');
    } catch {
      return '';
    }
  });
  return text + streams.join('\n');
}

test('the report is a PDF with embedded fonts and vector drawings, one page each at least', async () => {
  const body = jobBody();
  const path = `/api/shops/one/jobs/${body.id}`;
  await app.ask('POST', '/api/shops/one/jobs', body);
  for (const [test, value] of [
    ['resting-voltage', 12.6],
    ['cranking-voltage', 8.2],
    ['charging-voltage', 14.2],
    ['ripple-ac', 0.04],
  ] as const)
    await app.ask('POST', `${path}/readings`, readingBody(test, value));
  const response = await fetch(`${app.url}${path}/report.pdf`, { headers: { cookie: app.cookieFor(path) } });
  expect(response.headers.get('content-type')).toContain('application/pdf');
  expect(response.headers.get('content-disposition')).toMatch(/TV \d+-\d{4}-\d\d-\d\d\.pdf/);
  const text = opened(Buffer.from(await response.arrayBuffer()));
  expect(text.startsWith('%PDF-')).toBe(true);
  expect(text.includes('/FontFile2')).toBe(true);
  expect(/\/Subtype ?\/Image/.test(text)).toBe(false);
  expect(text.match(/\/Type ?\/Page\b/g)!.length).toBeGreaterThanOrEqual(2);
  expect(/ re\nf/.test(text)).toBe(true); // a band, filled
});

test('a long job goes on to further pages instead of losing readings', async () => {
  const body = jobBody();
  const path = `/api/shops/one/jobs/${body.id}`;
  await app.ask('POST', '/api/shops/one/jobs', body);
  for (let i = 0; i < 60; i++)
    await app.ask('POST', `${path}/readings`, readingBody('resting-voltage', 12.5 + i / 1000));
  const response = await fetch(`${app.url}${path}/report.pdf`, { headers: { cookie: app.cookieFor(path) } });
  const text = opened(Buffer.from(await response.arrayBuffer()));
  expect(text.match(/\/Type ?\/Page\b/g)!.length).toBeGreaterThanOrEqual(3);
}, 30_000);

test('figures are written as the reader asks, and a word that is no choice is refused by its name', async () => {
  const body = jobBody();
  const path = `/api/shops/one/jobs/${body.id}`;
  await app.ask('POST', '/api/shops/one/jobs', body);
  await app.ask('POST', `${path}/readings`, readingBody('resting-voltage', 12.6));
  const sizeOf = async (query: string) => {
    const response = await fetch(`${app.url}${path}/report.pdf${query}`, { headers: { cookie: app.cookieFor(path) } });
    expect(response.status).toBe(200);
    return opened(Buffer.from(await response.arrayBuffer())).replace(/\/(CreationDate|ID)[^\n]*/g, '');
  };
  expect(await sizeOf('?decimal=comma')).not.toBe(await sizeOf('?decimal=point'));
  const refused = await app.ask('GET', `${path}/report.pdf?decimal=dot`);
  expect(refused.status).toBe(422);
  expect(JSON.stringify(refused.body)).toMatch(/decimal.*dot.*point, comma/s);
});

test('of a job that is not there is none', async () => {
  const answer = await app.ask('GET', `/api/shops/one/jobs/${randomUUID()}/report.pdf`);
  expect(answer.status).toBe(404);
  expect(answer.type).toContain('problem+json');
});
