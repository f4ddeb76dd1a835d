/** The files of the page: kept for a year under their name, and the policy where it means something. */
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from './application';
import type { Application } from './application';

let app: Application;
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'tetrad-page-'));
  for (const name of ['index.html', 'chunk-AB12CD34.js', 'worker-AB12CD34.js', 'ngsw-worker.js'])
    await writeFile(join(folder, name), '1;');
  app = await startApplication(undefined, { clientFolder: folder });
});
afterAll(async () => {
  await app.close();
  await rm(folder, { recursive: true });
});

const headersOf = async (path: string): Promise<Headers> => (await fetch(app.url + path)).headers;

it.each(['/floor', '/worker-AB12CD34.js', '/ngsw-worker.js'])('%s comes with the content policy', async (path) => {
  expect((await headersOf(path)).get('content-security-policy')).toContain("default-src 'none'");
});

it('a script comes without the headers of a document, and with its kind fixed', async () => {
  const headers = await headersOf('/chunk-AB12CD34.js');
  expect(headers.get('content-security-policy')).toBeNull();
  expect(headers.get('x-frame-options')).toBeNull();
  expect(headers.get('x-content-type-options')).toBe('nosniff');
  expect(headers.get('cross-origin-resource-policy')).toBe('same-origin');
});

it('a file that is named by its content is kept, the page is asked for again', async () => {
  expect((await headersOf('/chunk-AB12CD34.js')).get('cache-control')).toContain('immutable');
  for (const path of ['/floor', '/ngsw-worker.js'])
    expect((await headersOf(path)).get('cache-control')).toBe('no-cache');
});
