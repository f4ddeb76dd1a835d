/** Backups by the command line: read back before they count, put back whole, never in the place of what must stay. */
import { spawn } from 'node:child_process';
import { mkdtemp, readFile, readdir, rm, stat, truncate, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { backupsOf } from '../src/operations/backups';
import { jobBody, readingBody, startApplication } from './application';
import { newDatabase } from './databases';

let address: string;
let folder: string;
let job: string;
beforeAll(async () => {
  address = await newDatabase();
  folder = await mkdtemp(join(tmpdir(), 'backups-'));
  const app = await startApplication(address);
  const body = jobBody();
  job = body.id;
  await app.ask('POST', '/api/shops/one/jobs', body);
  await app.ask('POST', `/api/shops/one/jobs/${job}/readings`, readingBody('resting-voltage', 12.6));
  await app.close();
}, 30_000);
afterAll(() => rm(folder, { recursive: true }));

function tetrad(...words: readonly string[]): Promise<{ status: number | null; said: string }> {
  const child = spawn(process.execPath, ['tools/tetrad.mjs', ...words], {
    env: { ...process.env, TETRAD_DATABASE_URL: address },
  });
  let said = '';
  child.stdout.on('data', (data: Buffer) => (said += data.toString()));
  child.stderr.on('data', (data: Buffer) => (said += data.toString()));
  return new Promise((resolve) => child.on('close', (status) => resolve({ status, said })));
}
async function ask(statement: string): Promise<Record<string, unknown>[]> {
  const client = new pg.Client({ connectionString: address });
  await client.connect();
  try {
    return (await client.query(statement)).rows as Record<string, unknown>[];
  } finally {
    await client.end();
  }
}
const READINGS = 'SELECT count(*)::int AS n FROM reading';
const spoil = 'SET session_replication_role = replica; DELETE FROM reading; RESET session_replication_role';

it('a backup comes back as it was, with its rules, and the audit log unbroken', async () => {
  const file = join(folder, 'one');
  expect(await tetrad('backup', file)).toMatchObject({ status: 0, said: expect.stringContaining('read back whole') });
  await ask(spoil);
  expect(await ask(READINGS)).toEqual([{ n: 0 }]);
  expect(await tetrad('restore', file)).toMatchObject({ status: 0, said: expect.stringMatching(/_before_\d{14}/) });
  expect(await ask(READINGS)).toEqual([{ n: 1 }]);
  expect(await tetrad('audit', 'verify')).toMatchObject({
    status: 0,
    said: expect.stringMatching(/one: \d+ entries, unbroken/),
  });
  const app = await startApplication(address);
  try {
    expect((await app.ask('GET', `/api/shops/one/jobs/${job}`)).body.case.readings).toHaveLength(1);
    expect(
      (await app.ask('GET', `/api/shops/one/jobs/${job}`, undefined, app.cookieFor('/api/shops/two'))).status,
    ).toBe(404);
    await expect(app.pool.query('TRUNCATE reading')).rejects.toThrow('permission denied');
    // and never beneath an application that works on it
    const refused = await tetrad('restore', file);
    expect([refused.status, refused.said]).toEqual([1, expect.stringContaining('stop it first')]);
  } finally {
    await app.close();
  }
}, 60_000);

it('where the audit log was touched, the command names the place', async () => {
  await ask(
    "SET session_replication_role = replica; UPDATE act SET entry = replace(entry, 'Ada', 'Eve') WHERE shop_id = 'one' AND seq = 2",
  );
  expect(await tetrad('audit', 'verify')).toMatchObject({
    status: 1,
    said: expect.stringContaining('one: BROKEN at entry 2 (hash)'),
  });
  const out = join(folder, 'broken.zip');
  expect((await tetrad('export', out, '--shop', 'one')).status).toBe(0);
  expect(await tetrad('import', out, '--shop', 'broken')).toMatchObject({
    status: 1,
    said: expect.stringContaining('the audit log of this archive is broken at entry 2 (hash)'),
  });
  await ask(
    "SET session_replication_role = replica; UPDATE act SET entry = replace(entry, 'Eve', 'Ada') WHERE shop_id = 'one' AND seq = 2",
  );
  expect((await tetrad('audit', 'verify', '--shop', 'one')).status).toBe(0);
}, 60_000);

it('where a reading was changed in its own table, the entry that holds its value tells it', async () => {
  const change = (value: string) =>
    `SET session_replication_role = replica; UPDATE reading SET document = jsonb_set(document, '{value}', '${value}') WHERE shop_id = 'one'`;
  const [{ value } = { value: null }] = await ask(
    "SELECT document -> 'value' AS value FROM reading WHERE shop_id = 'one'",
  );
  await ask(change('9.99'));
  expect(await tetrad('audit', 'verify')).toMatchObject({
    status: 1,
    said: expect.stringMatching(/one: BROKEN at entry \d+ \(reading\)/),
  });
  await ask(change(String(value)));
  expect((await tetrad('audit', 'verify')).status).toBe(0);
}, 60_000);

it('a shop that is not there is none that is unbroken', async () => {
  expect(await tetrad('audit', 'verify', '--shop', 'typo')).toMatchObject({
    status: 1,
    said: expect.stringContaining('there is no shop typo'),
  });
}, 30_000);

it('who lost their password is given another, and the sessions that the old one opened end', async () => {
  const reset = await tetrad('people', 'reset-password', 'ada', '--shop', 'one');
  expect(reset).toMatchObject({
    status: 0,
    said: expect.stringMatching(/^Ada of the shop one has the one-time password \S+ /),
  });
  const [person] = await ask(
    "SELECT must_change, (SELECT count(*)::int FROM session WHERE shop_id = 'one') AS n FROM person WHERE shop_id = 'one'",
  );
  expect(person).toEqual({ must_change: true, n: 0 });
  expect(await tetrad('people', 'reset-password', 'ada')).toMatchObject({
    status: 1,
    said: expect.stringContaining('--shop'),
  });
  expect(await tetrad('people', 'reset-password', 'bob', '--shop', 'one')).toMatchObject({
    status: 1,
    said: expect.stringContaining('nobody called bob'),
  });
}, 60_000);

it('a backup replaces no file that is there', async () => {
  const file = join(folder, 'precious');
  await writeFile(file, 'mine');
  expect(await tetrad('backup', file)).toMatchObject({ status: 1, said: expect.stringContaining('replaces none') });
  expect(await readFile(file, 'utf8')).toBe('mine');
}, 30_000);

it.each([
  ['cut off', (file: string) => truncate(file, 20_000)],
  ['no backup at all', (file: string) => writeFile(file, 'hello')],
])(
  'one that is %s is not restored, and nothing is lost',
  async (_what, harm) => {
    const file = join(folder, `spoilt-${Math.random()}`);
    await tetrad('backup', file);
    await harm(file);
    expect(await tetrad('restore', file)).toMatchObject({
      status: 1,
      said: expect.stringContaining('no whole backup'),
    });
    expect(await ask(READINGS)).toEqual([{ n: 1 }]);
  },
  60_000,
);

it('into a folder as many are kept as were asked for, and the server tells the newest', async () => {
  const own = join(folder, 'scheduled');
  expect(await backupsOf(own)).toEqual({ isScheduled: true, count: 0, newest: null });
  for (let i = 0; i < 3; i++) expect((await tetrad('backup', '--to', own, '--keep', '2')).status).toBe(0);
  expect(await readdir(own)).toHaveLength(2);
  expect(await backupsOf(own)).toMatchObject({ count: 2, newest: { bytes: expect.any(Number) } });
  expect((await tetrad('backup', '--to', own, '--keep', 'all')).status).toBe(2);
  expect((await tetrad('backup')).status).toBe(2);
}, 60_000);

describe('a shop by the command line', () => {
  it('goes out to a zip file and comes in under another id, told by rows and files', async () => {
    const file = join(folder, 'yard.zip');
    const out = await tetrad('export', file, '--shop', 'one');
    expect(out).toMatchObject({
      status: 0,
      said: expect.stringMatching(/the shop one, \d+ rows and 0 recorded files/),
    });
    expect((await stat(file)).mode & 0o777).toBe(0o600);
    const back = await tetrad('import', file, '--shop', 'moved');
    expect(back).toMatchObject({ status: 0, said: expect.stringMatching(/^The shop moved is here: \d+ rows/) });
    expect(await ask("SELECT count(*)::int AS n FROM reading WHERE shop_id = 'moved'")).toEqual([{ n: 1 }]);
    const [act] = await ask("SELECT entry FROM act WHERE shop_id = 'one' ORDER BY seq DESC LIMIT 1");
    expect(String(act!['entry'])).toContain('shop-exported');
    // a second time it is in the way of nothing
    expect(await tetrad('export', file, '--shop', 'one')).toMatchObject({
      status: 1,
      said: expect.stringContaining('an export replaces nothing'),
    });
    expect(await tetrad('import', file, '--shop', 'moved')).toMatchObject({
      status: 1,
      said: expect.stringContaining('the shop moved is there already'),
    });
  }, 60_000);

  it.each([
    [['export', 'somewhere'], 2, "required option '--shop <id>' not specified"],
    [['export', '--shop', 'one'], 2, "missing required argument 'folder|file.zip'"],
    [['import', 'a', 'b'], 2, 'too many arguments'],
    [['export', 'x', '--shop', 'one', '--colour', 'red'], 2, "unknown option '--colour'"],
    [['export', '/tmp/never-made', '--shop', 'nowhere'], 1, 'there is no shop nowhere'],
    [['import', '/tmp/never-made'], 1, 'is not there'],
  ])(
    '%j is told with what is wrong',
    async (words, status, says) => {
      expect(await tetrad(...words)).toEqual({ status, said: expect.stringContaining(says) });
    },
    30_000,
  );
});
